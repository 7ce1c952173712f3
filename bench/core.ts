import { DEFAULT_PRACTICE, feedingPracticeOf } from '@hollow-bell/contract';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import type { FeedingPractice } from '@hollow-bell/core/feed';
import { asksOf } from '@hollow-bell/core/rounds';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { fold, ledgerFigures } from '@hollow-bell/core/record';
import type { BatchEvent, EventContent, Replacement } from '@hollow-bell/core/record';
import {
  costOf,
  drawMust,
  hold,
  judgeMust,
  openPlan,
  planOf,
  plannedFrom,
  plannedHoney,
  predictMust,
  stepFeedingOf,
  styleOf,
} from '@hollow-bell/core/must';
import { seeded } from '@hollow-bell/core/numerics';
import { forecastTable, forecastTimes } from './forecasts.ts';
import { chalkTable } from './chalk.ts';
import { againstC } from './againstC.ts';
import { pageTimes } from './page.ts';
import { processTimes } from './processes.ts';
import { recordTimes } from './records.ts';
import { givenTables } from './ferments/study.ts';
import { stallTable } from './stalls.ts';

const HONEY = { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable };

/** A yardstick of the same machine in the same minute: a million multiply-adds. */
function yardstick(): number {
  let sum = 0;
  for (let i = 0; i < 1e6; i++) sum = sum * 0.999 + i;
  return sum;
}

const SG = (i: number, of: number): EventContent => ({
  kind: 'reading',
  payload: { sg: 1.09 - (0.09 * i) / of, tempC: 20, calibrationC: 20 },
});

/** A must and its readings; one in fifty entries corrects an earlier one, as in a real record. */
function longBatch(events: number): BatchEvent[] {
  const start: [number, EventContent][] = [
    [0, { kind: 'honey', payload: HONEY }],
    [0, { kind: 'water', payload: { volumeL: 4 } }],
    [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 3 } }],
  ];
  const then = Array.from({ length: events - 3 }, (_, i): [number, EventContent] =>
    i % 50 === 49
      ? [
          2 + i,
          {
            kind: 'amendment',
            payload: { eventId: `event ${i}`, replacement: { ...SG(i - 3, events), happenedAt: (2 + i) * 3_600_000 } as Replacement },
          },
        ]
      : [2 + i, SG(i, events)],
  );
  return [...start, ...then].map(([hour, content], i) => ({
    ...content,
    id: `event ${i}`,
    seq: i + 1,
    happenedAt: hour * 3_600_000,
    enteredAt: hour * 3_600_000,
  }));
}

const MELOMEL = openPlan(
  planOf(
    [
      plannedHoney('linden', 1100, 0.171),
      plannedHoney('heather', 500, 0.19),
      plannedFrom('gooseberry', 1600),
      plannedFrom('juice-apple', 500),
      plannedFrom('clove', 2),
    ],
    3.2,
    { yeastId: 'strong' },
  ),
);

/** What the bench does at every keystroke: solve, ranges, verdicts, style, cost. */
function keystroke(rackedL: number): void {
  const plan = hold(MELOMEL, 'rackedL', rackedL);
  const figures = predictMust(plan);
  judgeMust(plan, figures);
  styleOf(plan, figures.abv.value);
  costOf(plan, figures.finishedL.value);
  stepFeedingOf(plan);
}

/** p95 in ms over many rounds, after warming up. */
function p95(rounds: number, run: (i: number) => void): number {
  for (let i = 0; i < rounds / 2; i++) run(i);
  const times = Array.from({ length: rounds }, (_, i) => {
    const began = performance.now();
    run(i);
    return performance.now() - began;
  });
  return times.sort((a, b) => a - b)[Math.floor(rounds * 0.95)] ?? Number.NaN;
}

const thousand = longBatch(1000);
const sixty = longBatch(60);
/** Read every other day. */
const readOften = longBatch(28).map((event, i) => ({ ...event, happenedAt: 40 * 3_600_000 * i }));
const base = p95(100, yardstick);
const PRACTICE: FeedingPractice = feedingPracticeOf({ practice: DEFAULT_PRACTICE });
/** What Rounds do of one batch after each entry: fold it, judge it, reckon its course and what it asks for. */
function looked(events: readonly BatchEvent[]): void {
  const ledger = fold(events);
  asksOf(ledger, feedingPlanOf(ledger, PRACTICE), ledger.history.lastEventAt ?? 0);
}
const rows: [string, number, number][] = [
  [
    'recompute after a keystroke: a melomel of five ingredients, solved, with ranges and verdicts',
    p95(400, (i) => keystroke(4 + (i % 50) / 50)),
    2,
  ],
  ['fold of 1,000 events', p95(60, () => fold(thousand)), 5],
  ['fold, diagnosis and course of a batch of 25 readings', p95(60, () => looked(readOften)), 10],
  ['figures with ranges of a batch of 60 events', p95(60, () => ledgerFigures(sixty)), 16],
  ['2,000 random draws of the melomel, what propagation replaces', p95(5, (i) => drawMust(seeded(i), MELOMEL, 2000)), 1000],
];
console.log(`yardstick, a million multiply-adds: ${base.toFixed(2)} ms`);
for (const [name, ms, budget] of rows)
  console.log(
    `${name}: p95 ${ms.toFixed(2)} ms, ${(ms / base).toFixed(2)} × yardstick, budget ${budget} ms${ms > budget ? ' EXCEEDED' : ''}`,
  );

async function studies(): Promise<void> {
  const { median, worst } = await forecastTimes();
  console.log(
    `forecast, 500 members over 90 days: median ${median.toFixed(0)} ms, worst ${worst.toFixed(0)} ms, ${(median / base).toFixed(0)} × yardstick, budget 500 ms`,
  );
  const compared = againstC();
  console.log(
    compared === null
      ? 'the forecast’s loop against C: no C compiler on this machine'
      : `the forecast’s loop, 500 members over 90 days: ${compared.hereMs.toFixed(0)} ms here, ${compared.inCMs.toFixed(0)} ms in C (-O2), ${compared.ratio.toFixed(2)} ×, budget 1.3 ×; their sums differ by ${compared.differs.toExponential(0)}`,
  );
  const databaseUrl = process.env['HOLLOW_BELL_BENCH_DATABASE'];
  if (databaseUrl !== undefined)
    for (const line of [...(await processTimes(databaseUrl)), ...(await recordTimes(databaseUrl)), ...(await pageTimes())])
      console.log(line);
  console.log(`\n${stallTable()}`);
  console.log(`\n${await chalkTable()}`);
  console.log(`\n${await forecastTable()}`);
  console.log(`\n${await givenTables()}`);
}

void studies();
