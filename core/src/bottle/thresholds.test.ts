import { describe } from 'vitest';
import { eventsAt, fold, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { allergensOf, planCrate } from './index.ts';
import { checkMeasured } from './crate.ts';

type Row = [hour: number, content: EventContent];
const rows: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [1, yeast],
  [480, reading(0.992, 20)],
];
const ledgerOf = (...more: Row[]): Ledger => fold(eventsAt(0, [...rows, ...more]));
const { volumeL } = viewOf(ledgerOf())!;
const sulfited = (mgPerL: number): string[] =>
  allergensOf(ledgerOf([600, { kind: 'sulfite', payload: { salt: 'potassium', massG: (mgPerL * volumeL) / 1000 / 0.5763 } }]));
const measured = (liters: number): boolean => {
  try {
    checkMeasured(liters, 5);
    return true;
  } catch {
    return false;
  }
};
const short = (liters: number): boolean =>
  planCrate(liters, [{ sizeMl: 500, kind: 'wine', closure: 'cork', have: 8, wanted: 4 } as never], null, false).shortL > 0;

describe('bottling', () => {
  holdThresholds([
    ['SULFITES_FROM_MG_PER_L', sulfited, [9.9, []], [10.1, ['sulfites']]],
    ['BRIM_SLACK of a full vessel', measured, [5.14, true], [5.16, false]],
    ['FILLS_WITHIN_L', short, [1.996, false], [1.994, true]],
  ]);
});
