import { MEAN_HONEY, fold, ledgerFigures } from '@hollow-bell/core/ledger';
import type { BatchEvent, EventContent } from '@hollow-bell/core/ledger';
import { judgeMust, predictMust, solveMust } from '@hollow-bell/core/must';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';

const HONEY = { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable };

/** A yardstick of the same machine in the same minute: a million multiply-adds. */
function yardstick(): number {
  let sum = 0;
  for (let i = 0; i < 1e6; i++) sum = sum * 0.999 + i;
  return sum;
}

function longBatch(events: number): BatchEvent[] {
  const start: [number, EventContent][] = [
    [0, { kind: 'honey', payload: HONEY }],
    [0, { kind: 'water', payload: { volumeL: 4 } }],
    [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 3 } }],
  ];
  const readings = Array.from({ length: events - 3 }, (_, i): [number, EventContent] => [
    2 + i,
    { kind: 'reading', payload: { sg: 1.09 - (0.09 * i) / events, tempC: 20, calibrationC: 20 } },
  ]);
  return [...start, ...readings].map(([hour, content], i) => ({
    ...content,
    id: `event ${i}`,
    seq: i + 1,
    happenedAt: hour * 3_600_000,
    enteredAt: hour * 3_600_000,
  }));
}

function keystroke(volumeL: number): void {
  const { honeyG, waterL } = solveMust({ og: 1.1, volumeL }, [HONEY], 'allround');
  const plan = {
    honeys: [{ ...HONEY, massG: honeyG }],
    waterL,
    yeastId: 'allround',
    vessel: USUAL_VESSELS[2] ?? { kind: 'jug' as const, name: 'jug', capacityL: 5 },
    roomTempC: 19,
  };
  judgeMust(plan, predictMust(plan));
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
const base = p95(100, yardstick);
const rows: [string, number, number][] = [
  ['recompute after a keystroke: solve, ranges, verdicts', p95(400, (i) => keystroke(4 + (i % 50) / 50)), 2],
  ['fold of 1,000 events', p95(60, () => fold(thousand)), 5],
  ['figures with ranges of a batch of 60 events', p95(60, () => ledgerFigures(sixty)), 16],
];
console.log(`yardstick, a million multiply-adds: ${base.toFixed(2)} ms`);
for (const [name, ms, budget] of rows)
  console.log(
    `${name}: p95 ${ms.toFixed(2)} ms, ${(ms / base).toFixed(2)} × yardstick, budget ${budget} ms${ms > budget ? ' EXCEEDED' : ''}`,
  );
