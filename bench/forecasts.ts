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
const [FIRST, ...MORE_ENDS] = [51, 52, 53, 54] as const;

async function studied(of: 'cellar' | 'room'): Promise<{ first: ForecastStudy; draws: ForecastStudy[] }> {
  const study = { of, cases: 200, members: 200 };
  const first = await forecastStudy({ ...study, seed: FIRST });
  const draws: ForecastStudy[] = [first];
  for (const seed of MORE_ENDS) draws.push(await forecastStudy({ ...study, seed, after: [] }));
  return { first, draws };
}

/** 200 fermentations of each of two generators of our own, side by side in Markdown for docs/forecast.md. */
export async function forecastTable(): Promise<string> {
  const both = [await studied('cellar'), await studied('room')];
  const errorsOf = ({ draws }: (typeof both)[number]): number[] => draws.flatMap(({ endErrors }) => endErrors);
  const mean = ({ draws }: (typeof both)[number], of: (one: ForecastStudy) => number): number =>
    draws.reduce((sum, one) => sum + of(one), 0) / draws.length;
  const row = (name: string, of: (each: (typeof both)[number]) => string): string => `| ${name} | ${both.map(of).join(' | ')} |`;
  return [
    '| | careful maker in a cellar | hasty maker in a room |',
    '| --- | --- | --- |',
    row('predicted end after half of the sugar, error as a share of the time that remains', (each) => percent(median(errorsOf(each)))),
    row('each of four draws by itself', ({ draws }) => draws.map(({ endErrors }) => percent(median(endErrors))).join(', ')),
    row('sticking, as forecast and as it happened', (each) =>
      [percent(mean(each, ({ stick }) => stick.forecast)), percent(mean(each, ({ stick }) => stick.happened))].join(', '),
    ),
    ...(both[0]?.first.coverage ?? []).map(({ readings }, i) =>
      row(`after ${readings} readings, the truth within the 80 % band`, ({ first }) => percent(first.coverage[i]?.share ?? Number.NaN)),
    ),
  ].join('\n');
}
