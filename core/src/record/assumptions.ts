import { BALLING, HYDROMETER_PLUS_MINUS } from '../liquid/index.ts';
import { exactly, within } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';

/** What the ledger has to assume where nobody measured. Each carries its 10–90 % range. */
export interface Assumptions {
  /** Added to the hydrometer readings of the unpitched must, in SG. */
  mustReadingBias: number;
  /** Added to every later reading, in SG: another day, other bubbles, so independent of the must's. */
  readingBias: number;
  /** Added to every honey's moisture, as a fraction. */
  moistureShift: number;
  /** Times every measured volume of water. */
  waterScale: number;
  /** g of ethanol per g of extract fermented. */
  ethanolYield: number;
  /** g of glycerol and other dissolved by-products per g of sugar taken up. */
  glycerolYield: number;
  /** Times every honey's unfermentable part. */
  unfermentableScale: number;
  /** Moves the sugar of fruit, juice, syrup and malt by this share of their own range. */
  sugarShift: number;
  /** −1 to 1 over the range of what could only be guessed: what foamed over, a bag that nobody weighed, a volume that nobody measured. */
  guessShift: number;
}

export const ASSUMPTION_RANGES: Record<keyof Assumptions, Ranged> = {
  /** Our estimate for a home hydrometer with bubbles and meniscus. */
  mustReadingBias: within(0, HYDROMETER_PLUS_MINUS),
  readingBias: within(0, HYDROMETER_PLUS_MINUS),
  /** White, USDA Tech. Bull. 1261 (1962): US honeys 17.2 % water, standard deviation 1.5 %; 10–90 % is 1.28 of that. */
  moistureShift: within(0, 0.019),
  /** Our estimate for a kitchen measuring jug. */
  waterScale: within(1, 0.015),
  /** Balling's 0.4839, between the 0.47 and 0.49 g/g met in practice (our estimate of the range). */
  ethanolYield: { value: BALLING.ethanolG / BALLING.extractG, low: 0.475, high: 0.489 },
  /** Where 250 g/L of sugar ferments, wine keeps 5 to 10 g/L of glycerol and 1 to 4 g/L of other by-products. */
  glycerolYield: { value: 0.04, low: 0.025, high: 0.055 },
  /**
   * USDA Tech. Bull. 1261 counts 1.5 % of higher sugars and 7.3 % of disaccharides among the sugars; yeast leaves the
   * former and some of the latter. How much is our estimate, hence the long upper side.
   */
  unfermentableScale: { value: 1, low: 0.8, high: 1.8 },
  /** −1 to 1 is each ingredient's own 10–90 % range; taken together, as one cool summer makes all fruit poor. */
  sugarShift: within(0, 1),
  guessShift: within(0, 1),
};

export const ASSUMPTION_NAMES = Object.keys(ASSUMPTION_RANGES) as (keyof Assumptions)[];

export const CENTRAL_ASSUMPTIONS = assumptionsFrom(ASSUMPTION_NAMES.map((name) => ASSUMPTION_RANGES[name].value));

/** What was guessed, moved within its own range. */
export const guessed = ({ guessShift }: Assumptions, { value, low, high }: Ranged): number =>
  value + guessShift * (guessShift < 0 ? value - low : high - value);

/** Assumptions from values in the order of ASSUMPTION_NAMES. */
export function assumptionsFrom(values: readonly number[]): Assumptions {
  return Object.fromEntries(ASSUMPTION_NAMES.map((name, i) => [name, values[i] ?? Number.NaN])) as unknown as Assumptions;
}

/** The ranges to carry through a fold; with `known`, those assumptions are taken as exact. */
export const assumptionInputs = (known: readonly (keyof Assumptions)[] = []): Ranged[] =>
  ASSUMPTION_NAMES.map((name) => (known.includes(name) ? exactly(ASSUMPTION_RANGES[name].value) : ASSUMPTION_RANGES[name]));
