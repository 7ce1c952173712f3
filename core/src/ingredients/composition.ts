import { Refusal } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { HONEY_MOISTURE } from './honey.ts';
import type { Masses } from '../masses/index.ts';

/** What an ingredient is made of, as fractions of its mass; what is left is water. */
export interface Composition {
  /** Sugar that wine yeast ferments. */
  sugar: number;
  /** Dissolved and raising the gravity, but not for the yeast: higher sugars, acids, minerals, dextrins. */
  unfermentable: number;
  /** Skins, seeds, pulp: takes room and holds liquid back, does not dissolve. */
  insoluble: number;
  ammoniumNMgPerKg: number;
  aminoNMgPerKg: number;
  /** Titratable acid, as tartaric. */
  acidGPerKg: number;
}

export const FAMILIES = [
  'honey',
  'sugar',
  'syrup',
  'juice',
  'fruit',
  'dried',
  'malt',
  'zest',
  'tea',
  'tannin',
  'spice',
  'herb',
  'acid',
  'sweetener',
] as const;
export type Family = (typeof FAMILIES)[number];
/** All but honey: its water and its higher sugars are written down instead of a composition. */
export const OTHER_FAMILIES = FAMILIES.filter((family): family is Exclude<Family, 'honey'> => family !== 'honey');

/** Which name of mead an ingredient can give it. */
export const STYLE_MARKS = ['honey', 'caramel', 'apple', 'grape', 'fruit', 'maple', 'malt', 'spice', 'none'] as const;
export type StyleMark = (typeof STYLE_MARKS)[number];

/** When it goes in: before the pitch, into the fermenting must, or once it is stable. */
export const STAGES = ['before', 'during', 'after'] as const;
export type Stage = (typeof STAGES)[number];

/** What is to be minded about an ingredient; it belongs to the thing, whatever it is called. */
export const TRAITS = ['pits', 'elder', 'raisins', 'citrus', 'milk', 'nuts', 'harms dogs'] as const;
export type Trait = (typeof TRAITS)[number];

/** An ingredient as the maker has it: a row of the reference table or a lot of their own. */
export interface Ingredient {
  name: string;
  family: Family;
  makes: StyleMark;
  composition: Composition;
  /** 10–90 % range of its sugar, ± as a share of it: 0.3 means a third more or less. */
  sugarSpread: number;
  traits?: readonly Trait[] | undefined;
}

export const waterShare = ({ sugar, unfermentable, insoluble }: Composition): number => 1 - sugar - unfermentable - insoluble;

/**
 * What a mass of an ingredient brings. Where its sugar is more or less than the table says, its water gives way.
 * @param sugarScale times its sugar; the water never falls below nothing
 */
export function broughtBy(massG: number, composition: Composition, sugarScale = 1): Masses {
  const { insoluble, unfermentable } = composition;
  const sugar = Math.max(0, Math.min(composition.sugar * sugarScale, 1 - insoluble - unfermentable));
  return {
    waterG: massG * (1 - sugar - unfermentable - insoluble),
    sugarG: massG * sugar,
    unfermentableG: massG * unfermentable,
    ethanolG: 0,
    insolubleG: massG * insoluble,
  };
}

/**
 * Refuses a composition that no ingredient has.
 * @throws Refusal with the field and what is allowed
 */
export function checkComposition(name: string, family: Family, composition: Composition): void {
  const parts = [composition.sugar, composition.unfermentable, composition.insoluble];
  if (parts.some((part) => !(part >= 0 && part <= 1)) || parts.reduce((sum, part) => sum + part, 0) > 1.0005) {
    throw new Refusal(
      `${name}: sugar, unfermentable and insoluble parts must each lie between 0 and 100 %, and together not pass 100 %.`,
      'composition',
    );
  }
  const water = waterShare(composition);
  if (family === 'honey' && (water < HONEY_MOISTURE.low - 1e-9 || water > HONEY_MOISTURE.high + 1e-9)) {
    throw new Refusal(
      `${name}: a honey of ${(100 * water).toFixed(1)} % water is none; it must lie between ${100 * HONEY_MOISTURE.low} and ${100 * HONEY_MOISTURE.high} %.`,
      'moisture',
    );
  }
}

/** A honey's composition from its moisture and its unfermentable part. */
export const honeyComposition = (moisture: number, unfermentable: number): Composition => ({
  sugar: 1 - moisture - unfermentable,
  unfermentable,
  insoluble: 0,
  ammoniumNMgPerKg: 0,
  aminoNMgPerKg: 0,
  acidGPerKg: 0,
});

/** A juice's composition from its °Brix: a tenth of the dissolved solids taken as unfermentable (our estimate). */
export const juiceComposition = (brix: number, acidGPerKg: number, aminoNMgPerKg: number): Composition => ({
  sugar: (0.9 * brix) / 100,
  unfermentable: (0.1 * brix) / 100,
  insoluble: 0,
  ammoniumNMgPerKg: aminoNMgPerKg * 0.1,
  aminoNMgPerKg,
  acidGPerKg,
});

/** Cell-wall material, kg/L. */
export const INSOLUBLE_KG_PER_L = 1.5;

/** g of liquid that a gram of drained, lightly pressed pulp holds back (our estimate; whole berries less, purée more). */
export const HELD_BACK_G_PER_G = { value: 3, low: 2, high: 5 } as const;

/**
 * What a drained, lightly pressed bag weighs, as a share of what went in (our estimates, from what a maker's scales show): soft
 * berries give up more than firm flesh; pits stay whole and heavy; leaves, bark and chips drink their own weight.
 */
const DRIPPING_SHARE = {
  fruit: { value: 0.22, low: 0.15, high: 0.3 },
  pits: { value: 0.28, low: 0.21, high: 0.36 },
  dried: { value: 0.8, low: 0.6, high: 1 },
  other: { value: 1.8, low: 1.2, high: 2.5 },
} as const satisfies Record<string, Ranged>;

interface Bagged {
  family: Family;
  massG: number;
  insolubleG: number;
  traits?: readonly Trait[] | undefined;
}

/** What the bag of an ingredient weighs as it drips, g; never less than its own pulp. */
export function drippingRange({ family, massG, insolubleG, traits = [] }: Bagged): Ranged {
  const kind = traits.includes('pits') ? 'pits' : family === 'fruit' || family === 'dried' ? family : 'other';
  const { value, low, high } = DRIPPING_SHARE[kind];
  return { value: Math.max(insolubleG, value * massG), low: Math.max(insolubleG, low * massG), high: Math.max(insolubleG, high * massG) };
}
