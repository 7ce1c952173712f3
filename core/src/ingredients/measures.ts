import { mix } from '../liquid/index.ts';
import { within } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { waterShare } from './composition.ts';
import type { Family, Ingredient } from './composition.ts';

/* What a kitchen measures by the jug and by the piece, in grams. */

/** What pours like a liquid: its density follows from what is dissolved in it. */
const LIQUID: readonly Family[] = ['honey', 'juice', 'syrup'];
/** kg/L of what is poured from a bag and leveled (our estimates from filling a measure; products differ). */
const BULK_KG_PER_L: Partial<Record<Family, number>> = { sugar: 0.85, malt: 0.6 };

/** Liquids of the reference table that are no juice, at 20 °C: glycerin 1.261 (handbook value), lactic acid of 80 % about 1.19 (trade figure). */
const LIQUIDS_KG_PER_L: Record<string, number> = { glycerin: 1.261, 'acid-lactic': 1.19 };
/** kg in a liter of an ingredient; null where nobody can say without a scale: fruit lies as it lies. @param id of the reference table, where it is of it */
export function kgPerL({ id = '', family, composition }: Pick<Ingredient, 'family' | 'composition'> & { id?: string }): number | null {
  const known = LIQUIDS_KG_PER_L[id];
  if (known !== undefined) return known;
  const water = waterShare(composition);
  if (!LIQUID.includes(family) && !(family === 'malt' && water > 0.1)) return BULK_KG_PER_L[family] ?? null;
  const extract = composition.sugar + composition.unfermentable;
  return 1 / mix({ waterG: 1000 * (water + composition.insoluble), extractG: 1000 * extract, ethanolG: 0 }).volumeL;
}

/** A piece of it, g: what is used of an ordinary one (our estimates). */
const PIECES_G: Record<string, Ranged> = {
  apple: { value: 160, low: 120, high: 210 },
  orange: { value: 135, low: 105, high: 170 },
  peach: { value: 130, low: 100, high: 160 },
  pear: { value: 160, low: 120, high: 200 },
  quince: { value: 220, low: 150, high: 300 },
  plum: { value: 45, low: 25, high: 70 },
  apricot: { value: 38, low: 28, high: 50 },
  fig: { value: 45, low: 30, high: 60 },
  kiwi: { value: 70, low: 55, high: 90 },
  mango: { value: 200, low: 150, high: 300 },
  pineapple: { value: 800, low: 550, high: 1100 },
  'juice-lemon': { value: 45, low: 30, high: 60 },
  'juice-orange': { value: 80, low: 55, high: 105 },
  'zest-lemon': { value: 5, low: 3, high: 8 },
  'zest-orange': { value: 9, low: 6, high: 14 },
  raisin: { value: 0.6, low: 0.4, high: 1 },
  vanilla: { value: 3, low: 2, high: 4 },
  cinnamon: { value: 4, low: 2.5, high: 6 },
  clove: within(0.08, 0.02),
  'tea-black': within(2, 0.4),
};

/** What a piece weighs, g; undefined where it is not counted. @param id of the reference table */
export const pieceG = (id: string): Ranged | undefined => PIECES_G[id];
