import { gasOf, gasStyleOf } from '../carbonate/index.ts';
import { honeyName } from '../ingredients/index.ts';
import type { Family, StyleMark } from '../ingredients/index.ts';
import { styleOf } from '../must/index.ts';
import type { Making, PlannedIngredient } from '../must/index.ts';
import { honeysPoured, othersPoured, viewOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { requireWithin } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { wordOfGravity, wordOfSugar } from '../sweeten/index.ts';
import { allergensOf } from './allergens.ts';
import type { Allergen } from './allergens.ts';

/**
 * How exact a label's strength must be, % vol. EU: Regulation 1169/2011, Annex XII, one decimal, honey's ferments ± 1.0, with fruit or
 * plants macerated in ± 1.5. US: 27 CFR 4.36, ± 1.5 to 14 % vol and ± 1.0 above, not across that line. Mead for one's own table need not follow them.
 */
export type LabelRule = 'eu mead' | 'eu fruit mead' | 'us';
const EU_TOLERANCE = { 'eu mead': 1, 'eu fruit mead': 1.5 } as const;
const US = { line: 14, below: 1.5, above: 1 } as const;

export interface LabelAbv {
  shown: number;
  tolerance: number;
  low: number;
  high: number;
}

/** The figure for a label, and within what it must be true. @param abv 0 to 25 % vol */
export function labelAbv(abv: number, rule: LabelRule): LabelAbv {
  const shown = Math.floor(10 * requireWithin('The alcohol', abv, 0, 25, '% vol') + 0.5 + 1e-9) / 10;
  const isBelow = shown <= US.line;
  const tolerance = rule === 'us' ? (isBelow ? US.below : US.above) : EU_TOLERANCE[rule];
  const [low, high] = [shown - tolerance, shown + tolerance];
  if (rule !== 'us') return { shown, tolerance, low, high };
  return isBelow ? { shown, tolerance, low, high: Math.min(high, US.line) } : { shown, tolerance, low: Math.max(low, US.line), high };
}

export interface LabelFacts {
  style: string;
  /** Honeys by what they brought, the most first, with their share of all sugar, 0 to 1. */
  honeys: string[];
  honeyShare: number;
  others: string[];
  abv: LabelAbv;
  /** As it was reckoned, with its doubt. */
  reckoned: Ranged;
  sweetness: string;
  /** What its gas is called; null where it is still. */
  gas: string | null;
  allergens: Allergen[];
  year: number;
}

/** A pour of less than this share of the sugar is no honey of the label (our estimate). */
const NAMED_SHARE = 0.05;
/** Families that a label names. */
const NAMED: readonly Family[] = ['fruit', 'juice', 'malt', 'syrup', 'spice', 'herb', 'tea', 'zest'];

export interface Labelled {
  /** As it was bottled, or as it stands. */
  mead: Ledger;
  /** With its bottles, for the gas; the same where none is closed yet. */
  bottled: Ledger;
  /** What its plan calls the things that were poured. */
  planned: readonly Pick<PlannedIngredient, 'name' | 'makes'>[];
  /** With its range. */
  abv: Ranged;
  region: 'us' | 'eu';
  atMs: number;
}

/** What the record says that a label may say of a mead; null of an empty vessel. */
export function labelFacts({ mead, bottled, planned, abv, region, atMs }: Labelled): LabelFacts | null {
  const view = viewOf(mead);
  if (view === null) return null;
  const makes = new Map(planned.map((each) => [each.name, each.makes]));
  const poured = mead.history.pours.map(({ name, family, massG, composition }): Making => ({
    family,
    massG,
    composition,
    makes: makes.get(name) ?? MAKES[family] ?? 'none',
  }));
  const all = poured.reduce((sum, { massG, composition }) => sum + massG * composition.sugar, 0);
  const honeys = [...byName(honeysPoured(mead))]
    .filter(([, sugarG]) => all > 0 && sugarG / all >= NAMED_SHARE)
    .map(([name]) => honeyName(name));
  const others = [...byName(othersPoured(mead).filter(({ family }) => NAMED.includes(family)))].map(([name]) => name);
  const style = styleOf({ ingredients: poured }, view.abv);
  const gas = gasOf(bottled);
  const isFruity = others.length > 0;
  return {
    style: style.name,
    honeys,
    honeyShare: style.honeyShare,
    others,
    abv: labelAbv(Math.min(25, Math.max(0, view.abv)), region === 'us' ? 'us' : isFruity ? 'eu fruit mead' : 'eu mead'),
    reckoned: abv,
    sweetness: region === 'eu' ? wordOfSugar(view.sugarGPerL, mead.history.ta?.value ?? null) : wordOfGravity(view.sg),
    gas: gas === null ? null : gasStyleOf(gas.high).name,
    allergens: allergensOf(mead),
    year: new Date(atMs).getUTCFullYear(),
  };
}
/** What a family makes where its plan does not say. */
const MAKES: Partial<Record<Family, StyleMark>> = {
  honey: 'honey',
  fruit: 'fruit',
  malt: 'malt',
  spice: 'spice',
  herb: 'spice',
  tea: 'spice',
  zest: 'spice',
};

/** Sugar by name, the most first. */
function byName(pours: readonly { name: string; sugarG: number; massG: number }[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { name, sugarG } of pours) sums.set(name, (sums.get(name) ?? 0) + sugarG);
  return new Map([...sums].sort((a, b) => b[1] - a[1]));
}

/** Batch code of a label: the letters its name begins with, year and month of its bottling, and two signs of its own. */
export function batchCode(name: string, id: string, atMs: number): string {
  const letters = name
    .split(/[^\p{L}]+/u)
    .flatMap((word) => (word === '' ? [] : [String.fromCodePoint(word.codePointAt(0) ?? 0).toLocaleUpperCase('en')]))
    .slice(0, 3)
    .join('');
  const date = new Date(atMs);
  const month = String(date.getUTCMonth() + 1).padStart(2, '0');
  return `${letters || 'HB'} ${String(date.getUTCFullYear() % 100).padStart(2, '0')}-${month} ${id
    .replaceAll(/[^0-9a-f]/gi, '')
    .slice(-2)
    .toLowerCase()}`;
}
