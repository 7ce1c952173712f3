import { FININGS } from '../clear/index.ts';
import { mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';

/** From so much total SO2 on a label says it, mg/L: Regulation (EU) 1169/2011, Annex II, and 27 CFR 4.32(e). */
const SULFITES_FROM_MG_PER_L = 10;

/** What is to be named on a label: of finings and ingredients what stays in traces counts too. */
export type Allergen = 'sulfites' | 'milk' | 'egg' | 'fish' | 'shellfish' | 'nuts' | 'gluten';

/** All SO2 that was given, of its present volume, mg/L. */
export const so2MgPerL = (ledger: Ledger): number => ledger.liquid.so2Mg / (mixedOf(ledger)?.volumeL ?? Number.POSITIVE_INFINITY);

/** What of this is in it, in the order of a label. @param mead as it was bottled */
export function allergensOf(mead: Ledger): Allergen[] {
  const { finings, pours, sulfites } = mead.history;
  const fined = FININGS.filter(({ id }) => finings.some(({ fining }) => fining === id)).map(({ labels }) => labels);
  const has = (trait: 'milk' | 'nuts'): boolean => pours.some(({ traits }) => traits?.includes(trait) === true);
  const isSulfited = sulfites.length > 0 && so2MgPerL(mead) >= SULFITES_FROM_MG_PER_L;
  const all: [Allergen, boolean][] = [
    ['sulfites', isSulfited],
    ['milk', fined.includes('milk') || has('milk')],
    ['egg', fined.includes('egg')],
    ['fish', fined.includes('fish')],
    ['shellfish', fined.includes('shellfish')],
    ['nuts', has('nuts')],
    ['gluten', pours.some(({ family }) => family === 'malt')],
  ];
  return all.flatMap(([allergen, isIn]) => (isIn ? [allergen] : []));
}
