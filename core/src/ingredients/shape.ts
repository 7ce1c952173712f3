import { choice, list, number, record } from '../quantities/index.ts';
import type { Shape } from '../quantities/index.ts';
import { FAMILIES, STYLE_MARKS, TRAITS } from './composition.ts';
import type { Trait } from './composition.ts';

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
/** What is to be minded about it. */
export const traitsShape = list(choice(...TRAITS), 0, TRAITS.length) as Shape<readonly Trait[]>;
export const familyShape = choice(...FAMILIES);
export const styleMarkShape = choice(...STYLE_MARKS);
