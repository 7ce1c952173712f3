import { choice, number, record } from '../quantities/index.ts';
import { FAMILIES, STYLE_MARKS } from './composition.ts';

const share = number(0, 1);

export const compositionShape = record(
  {
    sugar: share,
    unfermentable: share,
    insoluble: share,
    ammoniumNMgPerKg: number(0, 100_000, [0, 100]),
    aminoNMgPerKg: number(0, 100_000, [0, 500]),
    acidGPerKg: number(0, 1200, [0, 30]),
  },
  {
    holds: ({ sugar, unfermentable, insoluble }) => sugar + unfermentable + insoluble <= 1.0005,
    says: 'Sugar, unfermentable and insoluble parts together cannot pass 100 %.',
  },
);
export const familyShape = choice(...FAMILIES);
export const styleMarkShape = choice(...STYLE_MARKS);
