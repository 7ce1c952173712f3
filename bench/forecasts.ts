import { forecast } from '@hollow-bell/core/course';
import type { ForecastInput } from '@hollow-bell/core/course';
import type { ForecastStudy } from '@hollow-bell/core/simulate';
import { forecastStudy } from '@hollow-bell/core/simulate';
import { COURSE } from './exampleCourse.ts';

const INPUT: ForecastInput = {
  setting: COURSE,
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

const percent = (share: number): string => `${(100 * share).toFixed(0)} %`;
const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1] ?? Number.NaN;
/** One draw moves the median of its ends by a point or two, so ends are counted on more; none of these was looked at while the model was set. */
const [FIRST, ...MORE_ENDS] = [31, 32, 33, 34] as const;

/** 200 fermentations of another generator, as a table in Markdown for docs/forecast.md. */
export async function forecastTable(): Promise<string> {
  const study = { cases: 200, members: 200 };
  const first = await forecastStudy({ ...study, seed: FIRST });
  const draws: ForecastStudy[] = [first];
  for (const seed of MORE_ENDS) draws.push(await forecastStudy({ ...study, seed, after: [] }));
  const errors = draws.flatMap(({ endErrors }) => endErrors);
  const mean = (of: (one: ForecastStudy) => number): number => draws.reduce((sum, one) => sum + of(one), 0) / draws.length;
  return [
    `${study.cases} fermentations, ${study.members} members each. Median error of the predicted end, after half of the sugar: ${(100 * median(errors)).toFixed(1)} % of the time that remains (${errors.length} ends of four draws; each by itself ${draws.map(({ endErrors }) => percent(median(endErrors))).join(', ')}). Sticking, after half of the sugar, in all four: forecast for ${percent(mean(({ stick }) => stick.forecast))}, happened to ${percent(mean(({ stick }) => stick.happened))}.`,
    '',
    '| after readings | later readings | within the 80 % band |',
    '| --- | --- | --- |',
    ...first.coverage.map(({ readings, later, share }) => `| ${readings} | ${later} | ${percent(share)} |`),
  ].join('\n');
}
