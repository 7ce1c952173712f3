import { describe } from 'vitest';
import { DAY_MS, plainly } from '../quantities/index.ts';
import { eventsAt, fold, viewOf } from '../record/index.ts';
import type { EventContent, Mark } from '../record/index.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { asksOf } from './index.ts';

const START = Date.UTC(2026, 5, 1, 10);
type Row = [day: number, content: EventContent];
const poured: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
];
const live: Row[] = [...poured, [0.04, yeast]];
const done: Row[] = [...live, ...[20, 27, 36].map((day): Row => [day, reading(0.992, 20)])];
const OG = viewOf(fold(eventsAt(START, poured)))!.sg;
const asks = (day: number, ...rows: Row[]) =>
  asksOf(
    fold(
      eventsAt(
        START,
        rows.map(([on, content]): Row => [24 * on, content]).toSorted((a, b) => a[0] - b[0]),
      ),
    ),
    null,
    START + day * DAY_MS,
    {},
  );
const has = (kind: string, day: number, ...rows: Row[]): boolean => asks(day, ...rows).some((ask) => ask.kind === kind);
const bell = (kind: string, day: number, ...rows: Row[]): string => asks(day, ...rows).find((ask) => ask.kind === kind)?.bell ?? '';
const mark = (day: number, of: Mark): Row => [day, { kind: 'note', payload: { text: of, mark: of } }];
const ready: Row[] = [
  [37, { kind: 'look', payload: { through: 'print', beside: [] } }],
  [37, { kind: 'tongue', payload: { prickle: 'none' } }],
];
const stable: Row[] = [
  ...done,
  ...ready,
  [38, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } }],
  [38, { kind: 'sorbate', payload: { massG: 1 } }],
  [40, reading(0.992, 20)],
];
const sweet: Row[] = [...stable, [41, honey(200)], [41.1, reading(1.008, 20)], [43.5, reading(1.008, 20)]];
const core = (day: number): Row => [day, { kind: 'core', payload: { coreC: 50 } }];
const starter: Row[] = [
  ...live,
  [20, reading(1.05, 20)],
  [30, { kind: 'restart', payload: { volumeL: 4.5, sg: 1.05 } }],
  [30, { kind: 'restartStep', payload: { index: 0 } }],
];
const starterTold = (days: number): string =>
  asks(30 + days, ...starter)
    .filter(({ kind }) => kind === 'starter')
    .map(({ sentence }) => plainly(sentence))
    .join(' ');

describe('what Rounds ask', () => {
  holdThresholds([
    ['DEGAS_DAYS', (days) => has('degas', 0.04 + days, ...live, [5.9, reading(1.07, 20)]), [6.99, true], [7.01, false]],
    ['SENSED_DAYS', (days) => has('film', 40 + days, ...done, mark(40, 'film')), [9.9, true], [10.1, false]],
    ['WORTH_SETTLING_SG', (off) => has('settle', 1, ...poured, [0.5, reading(OG + off, 20)]), [0.0039, false], [0.0041, true]],
    ['LOOKED_AFTER_MS', (hours) => has('heating', 40 + hours / 24, ...done, core(39.995), core(40)), [2.9, true], [3.1, false]],
    ['STARTER_STOPS_DAYS', starterTold, [2.9, /Starter, step 2/], [3.1, /stop here/]],
    ['AGAIN_H', (hours) => bell('weekLater', 41 + hours / 24, ...sweet), [167, 'muffled'], [169, 'swinging']],
  ]);
});
