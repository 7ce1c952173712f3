import { NUTRIENTS } from '../record/index.ts';
import type { EventContent, NutrientId, OwnNutrient } from '../record/index.ts';
import { Refusal } from '../quantities/index.ts';

/** A nutrient that can be fed: a kind, or a packet of the maker's. */
export interface Product {
  source: NutrientId;
  own?: OwnNutrient | undefined;
  lotId?: string | undefined;
  gPerTeaspoon?: number | undefined;
  pricePerKg?: number | undefined;
  /** The most that its packet allows, over the whole feeding. */
  capGPerL?: number | undefined;
}

export const productName = ({ source, own }: Pick<Product, 'source' | 'own'>): string => own?.name ?? NUTRIENTS[source].name;
/** What to know of a product before it is fed; null where there is nothing. */
export const productCaution = ({ source }: Product): string | null => NUTRIENTS[source].caution;

/** Grams in a leveled teaspoon: the packet's own, or our weighing of its kind. */
export const gPerTeaspoonOf = ({ gPerTeaspoon, source }: Product): number => gPerTeaspoon ?? NUTRIENTS[source].gPerTeaspoon;

/** Leveled teaspoons by the product's own measure; grams come first, packets differ by a third. */
export const teaspoonsOf = (product: Product, massG: number): number => massG / gPerTeaspoonOf(product);

/** mg of nitrogen in a gram, by how yeast meets it. */
export function nitrogenMgPerG({ source, own }: Pick<Product, 'source' | 'own'>): { ammonium: number; amino: number } {
  const { ammoniumN, aminoN } = own ?? NUTRIENTS[source];
  return { ammonium: ammoniumN * 1000, amino: aminoN * 1000 };
}

/** mg of nitrogen in a gram by this school's count of organic nitrogen. */
export function countedMgPerG(product: Pick<Product, 'source' | 'own'>, organicCredit: number): number {
  const { ammonium, amino } = nitrogenMgPerG(product);
  return ammonium + amino * organicCredit;
}

/** Urea's own nitrogen: no product holds more. */
const MOST_N = 0.47;

/**
 * Refuses a product that cannot be one.
 * @throws Refusal with what is wrong and what is allowed
 */
export function checkProduct(product: Product): void {
  const { ammonium, amino } = nitrogenMgPerG(product);
  const share = (ammonium + amino) / 1000;
  if (!(share > 0)) throw new Refusal(`${productName(product)} holds no nitrogen; it cannot cover a need.`, 'nitrogen');
  if (!(share <= MOST_N))
    throw new Refusal(
      `${productName(product)} with ${(100 * share).toFixed(0)} % nitrogen is none: urea itself holds 46.6 %. Write what the packet says.`,
      'nitrogen',
    );
}

/** What makes two products one: a plan that was written down and read again holds copies. */
export const productKey = ({ source, own, lotId }: Product): string => [source, own?.name ?? '', lotId ?? ''].join('|');

/** Less than this is not weighed on a kitchen scale, g. */
export const LEAST_DOSE_G = 0.05;

/** Giving this much of a product, as an entry for the record. */
export function fedEvent({ product, massG }: { product: Product; massG: number }, dose?: number): EventContent {
  const { source, own, lotId } = product;
  return {
    kind: 'nutrient',
    payload: {
      source,
      massG,
      ...(own === undefined ? {} : { own }),
      ...(lotId === undefined ? {} : { lotId }),
      ...(dose === undefined ? {} : { dose }),
    },
  };
}
