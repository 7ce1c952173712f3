import { describe } from 'vitest';
import { DAY_MS } from '../quantities/index.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { ClosureId, Drinks, EventContent, Ledger } from '../record/index.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { compareBatches, ripenessOf, windowOf } from './index.ts';
import { paceOf } from './pace.ts';

const START = Date.UTC(2025, 1, 2, 10);
const MONTH_DAYS = 30.4375;
const BOTTLED_DAY = 400;
type Row = [day: number, content: EventContent];
const mead = (honeyG: number, ...more: Row[]): Row[] => [
  [0, honey(honeyG)],
  [0, water(4.2)],
  ...more,
  [0.04, yeast],
  ...[20, 34, 48, 62].map((day): Row => [day, reading(0.994, 19)]),
];
const sulfited: Row = [65, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.3 } }];
const bottled = (closure: ClosureId): Row => [
  BOTTLED_DAY,
  { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 6, kind: 'wine', closure }] } },
];
const ledgerOf = (...rows: Row[]): Ledger =>
  fold(
    eventsAt(
      START,
      rows.map(([day, content]): Row => [24 * day, content]),
    ),
  );
const after = (ms: number): number => Math.round((10 * (ms - START - BOTTLED_DAY * DAY_MS)) / (MONTH_DAYS * DAY_MS)) / 10;
const window = (rows: Row[], closure: ClosureId = 'cork', ...more: Row[]) => windowOf(ledgerOf(...rows, bottled(closure), ...more))!;
const drinkBy = (rows: Row[], closure?: ClosureId, ...more: Row[]): number => after(window(rows, closure, ...more).drinkBy);
const bestTo = (rows: Row[], closure?: ClosureId, ...more: Row[]): number => after(window(rows, closure, ...more).bestTo);
const tasted = (days: number, drinks: Drinks): Row => [BOTTLED_DAY + days, { kind: 'tasting', payload: { words: 'round', drinks } }];
const strong = mead(1950, sulfited);
const middle = mead(1300, sulfited);
const weak = mead(700, sulfited);
const dry = (sg: number, tempC: number, late = 0): Ledger =>
  ledgerOf(...mead(1300).slice(0, -4), ...[20 + late, 34, 48, 62].map((day): Row => [day, reading(sg, tempC)]));
const differs = (other: Ledger): string[] =>
  compareBatches([
    { name: 'one', ledger: dry(0.994, 19) },
    { name: 'two', ledger: other },
  ]).flatMap(({ label, differs: told }) => (told === null ? [] : [label]));

describe('when to drink it', () => {
  holdThresholds([
    ['KEEPS_MONTHS by strength', (grams) => drinkBy(mead(grams, sulfited)), [800, 14], [950, 30]],
    ['KEEPS_MONTHS of strong ones', (grams) => drinkBy(mead(grams, sulfited)), [1300, 30], [1700, 84]],
    ['KEEPS_MONTHS at their best', (kind) => bestTo([weak, middle, strong][kind]!), [0, 8], [2, 48]],
    ['KEEPS_MONTHS at its best', (kind) => bestTo([weak, middle, strong][kind]!), [1, 18], [1, 18]],
    ['KEEPS_MONTHS of fruit', (grams) => drinkBy(mead(grams, [0, berries(900)], sulfited)), [1100, 15], [1900, 20]],
    ['CLOSURE_KEEPS.crown cap', (kind) => drinkBy([middle, weak][kind]!, 'crown cap'), [0, 27], [1, 12.6]],
    ['CLOSURE_KEEPS.swing-top', (kind) => drinkBy([middle, strong][kind]!, 'swing-top'), [0, 24], [1, 36]],
    ['CLOSURE_KEEPS.screw cap', (kind) => drinkBy([weak, strong][kind]!, 'screw cap'), [0, 3], [1, 3]],
    ['CLOSURE_KEEPS.lid', (kind) => drinkBy([weak, strong][kind]!, 'lid'), [0, 8.4], [1, 9]],
    ['UNSULFITED.share', (is) => drinkBy(is === 1 ? middle : mead(1300)), [0, 22.5], [1, 30]],
    ['UNSULFITED.belowAbv', (grams) => drinkBy(mead(grams)), [1390, 22.5], [1500, 84]],
    ['SETTLES_DAYS', (days) => window(strong).restsUntil <= START + (BOTTLED_DAY + days) * DAY_MS, [20.9, false], [21, true]],
    [
      'WORD_MOVES_MS.youngFor',
      (days) => after(window(middle, 'cork', tasted(days, 'too young')).restsUntil),
      [MONTH_DAYS, 3],
      [2 * MONTH_DAYS, 4],
    ],
    ['WORD_MOVES_MS.bestFor', (months) => bestTo(middle, 'cork', tasted(months * MONTH_DAYS, 'at its best')), [10, 18], [20, 23]],
    ['WORD_MOVES_MS.fadesWithin', (months) => drinkBy(middle, 'cork', tasted(months * MONTH_DAYS, 'fading')), [10, 12], [20, 22]],
    [
      'WEAK_BELOW',
      (count) =>
        paceOf(
          ledgerOf(
            ...middle,
            bottled('cork'),
            ...Array.from({ length: count }, (_, i): Row => [
              BOTTLED_DAY + 10 + i,
              { kind: 'bottleOut', payload: { count: 1, end: 'opened' } },
            ]),
          ),
        )!.isWeak,
      [3, true],
      [4, false],
    ],
    [
      'openings < 2',
      (count) =>
        paceOf(
          ledgerOf(
            ...middle,
            bottled('cork'),
            ...Array.from({ length: count }, (_, i): Row => [
              BOTTLED_DAY + 10 + i,
              { kind: 'bottleOut', payload: { count: 1, end: 'opened' } },
            ]),
          ),
        ) !== null,
      [1, false],
      [2, true],
    ],
    ['TELLS.abv', (off) => differs(dry(0.994 + off, 19)), [0.0021, []], [0.0023, ['ended']]],
    ['TELLS.degrees', (c) => differs(dry(0.994, 19 + c)), [1.4, []], [1.6, ['warmth']]],
    ['TELLS.days', (days) => differs(dry(0.994, 19, days)), [1.9, []], [2.1, ['took']]],
    [
      'SOON_DAYS',
      (days) => ripenessOf({ window: window(middle), left: 6 }, START + BOTTLED_DAY * DAY_MS + 30 * MONTH_DAYS * DAY_MS - days * DAY_MS),
      [56.1, 'drink'],
      [55.9, 'fading'],
    ],
  ]);
});
