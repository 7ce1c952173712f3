import { forecast } from '@hollow-bell/core/forecast';
import type { ForecastInput } from '@hollow-bell/core/forecast';
import { forecastStudy } from '@hollow-bell/core/simulate';
import { COURSE } from './exampleCourse.ts';

const INPUT: ForecastInput = {
  course: COURSE,
  tolerance: { value: 14, low: 13, high: 15 },
  readings: [48, 96, 144, 192, 240].map((hour, i) => ({ hour, sugarGPerL: 235 - 30 * i, sd: 4 })),
  nowH: 240,
  members: 500,
  seed: 1,
};
const ROUNDS = 15;

/** 500 members over 90 days, weighed by five readings: median and worst of some rounds, ms. */
export async function forecastTimes(): Promise<{ median: number; worst: number }> {
  const times: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    const began = performance.now();
    await forecast({ ...INPUT, seed: i });
    times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  return { median: times[Math.floor(ROUNDS / 2)] ?? Number.NaN, worst: times.at(-1) ?? Number.NaN };
}

/** 200 fermentations of another generator, as a table in Markdown for docs/forecast.md. */
export async function forecastTable(): Promise<string> {
  const { coverage, medianEndError, ends, stick, cases, members } = await forecastStudy({ cases: 200, members: 200, seed: 11 });
  return [
    `${cases} fermentations, ${members} members each. Median error of the predicted end, after half of the sugar: ${(100 * medianEndError).toFixed(0)} % of the time that remains (${ends} of them). Sticking, after half of the sugar: forecast for ${(100 * stick.forecast).toFixed(0)} %, happened to ${(100 * stick.happened).toFixed(0)} %.`,
    '',
    '| after readings | later readings | within the 80 % band |',
    '| --- | --- | --- |',
    ...coverage.map(({ readings, later, share }) => `| ${readings} | ${later} | ${(100 * share).toFixed(0)} % |`),
  ].join('\n');
}
