import type { Limits } from '../limits.ts';
import { massG, say, volumeL } from '../sentence.ts';
import type { Sentence } from '../sentence.ts';
import { GRAMS_PER, LITERS_PER, UNIT_SYMBOL } from '../units.ts';
import type { MassUnit, UnitSystem, VolumeUnit } from '../units.ts';
import { takeFigure, tidied } from './figures.ts';
import type { Figure } from './figures.ts';
import { TypedRefusal } from './refused.ts';
import type { Offer } from './refused.ts';
import { spoonL, takeMeasure } from './units.ts';
import type { Measure } from './units.ts';

/** How the one who types writes numbers and measures. */
export interface TypedBy {
  units: UnitSystem;
  /** As “de-DE”; what parts thousands follows it. */
  locale: string;
}

export const NOT_TYPED = 'Nothing is typed here yet; write digits with a point or a comma, such as 1.048 or 4,2.';
const notANumber = (text: string): string =>
  `“${text.trim()}” is not a number; write digits with a point or a comma, such as 1.048 or 4,2.`;

/** One number and what it measures; null where no unit stands behind it. */
interface Part {
  figure: Figure;
  measure: Measure | null;
}

/**
 * Takes an amount off the front of tidied text: a number with its unit, or several such as “1 lb 12 oz”.
 * Null where it begins with no number.
 */
export function takeParts(text: string, by: TypedBy): { parts: Part[]; rest: string } | null {
  const parts: Part[] = [];
  let rest = text;
  for (;;) {
    const joined = parts.length === 0 ? rest : rest.replace(/^\s*(?:and|\+|&)?\s*(?=[\d.,])/, '');
    const taken = takeFigure(joined, by.locale);
    if (taken === null) break;
    const unit = takeMeasure(taken.rest, by.units);
    /** Behind a first amount only a smaller part of the same goes on; anything else is another amount. */
    const goesOn = parts.length === 0 || (unit !== null && isPartOf(unit.measure, parts.at(-1)?.measure ?? null));
    if (!goesOn) break;
    parts.push({ figure: taken.figure, measure: unit?.measure ?? null });
    rest = unit?.rest ?? taken.rest;
    if (unit === null) break;
  }
  return parts.length === 0 ? null : { parts, rest };
}

const sizeOf = (measure: Measure): number =>
  measure.of === 'mass' ? GRAMS_PER[measure.unit] : measure.of === 'volume' ? LITERS_PER[measure.unit] : 0;
const isPartOf = (smaller: Measure, larger: Measure | null): boolean =>
  larger !== null && smaller.of === larger.of && sizeOf(smaller) < sizeOf(larger);

/** The whole of a text as an amount. */
function wholeParts(typed: string, by: TypedBy): Part[] {
  const text = tidied(typed);
  if (text === '') throw new TypedRefusal(NOT_TYPED);
  if (/^-/.test(text) && takeFigure(text.slice(1).trim(), by.locale) !== null)
    throw new TypedRefusal(`“${typed.trim()}” is less than nothing; an amount is 0 or more.`);
  const taken = takeParts(text, by);
  if (taken === null) throw new TypedRefusal(notANumber(typed));
  const rest = taken.rest.replace(/^[.,\s]+$/, '').trim();
  if (rest === '') return taken.parts;
  const last = taken.parts.at(-1);
  const small = last?.measure?.of === 'mass' ? SMALLER[last.measure.unit] : undefined;
  const bare = takeFigure(rest, by.locale);
  if (bare?.rest.trim() === '' && small !== undefined) {
    const value = totalG(taken.parts) + (bare.figure.values[0] ?? 0) * GRAMS_PER[small];
    throw new TypedRefusal(`“${rest}” of what? Write its unit too.`, [massOffer(value)]);
  }
  throw new TypedRefusal(
    last?.measure === null
      ? `“${rest}” is not a unit I know; use g, kg, lb, oz, ml, L, gal, °C or °F.`
      : `“${rest}” is one too many here; write one amount, such as 1 lb 12 oz.`,
  );
}

/** What goes on behind a larger unit without being said. */
const SMALLER: Partial<Record<MassUnit, MassUnit>> = { lb: 'oz', kg: 'g' };

const massOffer = (value: number): Offer => ({ value, said: say`${massG(value)}` });
const volumeOffer = (value: number, more: Sentence = []): Offer => ({ value, said: [...say`${volumeL(value)}`, ...more] });

const first = ({ values }: Figure): number => values[0] ?? 0;
const totalG = (parts: readonly Part[]): number =>
  parts.reduce((sum, { figure, measure }) => sum + (measure?.of === 'mass' ? first(figure) * GRAMS_PER[measure.unit] : 0), 0);

/** Of several readings of one number those within the limits; one alone is taken, several are asked about. */
function settle(
  values: readonly number[],
  limits: Limits,
  named: string,
  offer: (value: number) => Offer,
  shown: (v: number) => Sentence,
): number {
  const within = values.filter((value) => value >= limits.low && value <= limits.high);
  const [only, other] = within;
  if (only !== undefined && other === undefined) return only;
  if (only !== undefined) throw new TypedRefusal(['Does that mark part thousands, or decimals?'], within.map(offer));
  const value = values[0] ?? 0;
  throw new TypedRefusal([
    `${named} is `,
    ...shown(value),
    '; it must lie between ',
    ...shown(limits.low),
    ' and ',
    ...shown(limits.high),
    '.',
  ]);
}

export interface MassOptions {
  /** What a bare number means. */
  unit: MassUnit;
  limits?: Limits | undefined;
  /** Of a powder, g in a leveled teaspoon; null where nobody knows. */
  gPerTsp?: number | null | undefined;
}
export const MASS_LIMITS = { low: 0, high: 200_000 } as const;

/**
 * Mass in grams from typed text: “2,27 kg”, “1 lb 12 oz”, “1½ tsp” of a powder whose spoon is known.
 * @throws TypedRefusal with what may have been meant
 */
export function readMassG(typed: string, by: TypedBy, { unit, limits = MASS_LIMITS, gPerTsp }: MassOptions): number {
  const parts = wholeParts(typed, by);
  const shown = (value: number): Sentence => say`${massG(value)}`;
  const [only] = parts;
  if (only === undefined) throw new TypedRefusal(NOT_TYPED);
  if (parts.length > 1) {
    if (only.measure?.of !== 'mass')
      throw new TypedRefusal(`“${typed.trim()}” measures volume; a mass is wanted here: use g, kg, lb or oz.`);
    return settle([totalG(parts)], limits, 'The mass', massOffer, shown);
  }
  const { figure, measure } = only;
  const times = (factor: number): number =>
    settle(
      figure.values.map((value) => value * factor),
      limits,
      'The mass',
      massOffer,
      shown,
    );
  if (measure === null) return times(GRAMS_PER[unit]);
  if (measure.of === 'mass') return times(GRAMS_PER[measure.unit]);
  if (measure.of === 'spoon' && gPerTsp !== undefined) {
    if (gPerTsp === null)
      throw new TypedRefusal(
        'How many grams of this fill a leveled teaspoon is not known; weigh it, or write its grams per teaspoon on the Shelf.',
      );
    return times(gPerTsp * (measure.spoons === 'tbsp' ? 3 : 1));
  }
  throw new TypedRefusal(
    measure.of === 'temperature'
      ? `“${typed.trim()}” is a temperature; a mass is wanted here: use g, kg, lb or oz.`
      : `“${typed.trim()}” measures volume, and how much of this fills it is not known; use g, kg, lb or oz.`,
  );
}

export interface VolumeOptions {
  unit: VolumeUnit;
  limits?: Limits | undefined;
}
export const VOLUME_LIMITS = { low: 0, high: 2000 } as const;

/**
 * Volume in liters from typed text: “4,4 litres”, “1 gal 2 qt”, “2½ pints”. What differs between countries is asked about in a
 * metric house; ounces are offered as fluid ones.
 * @throws TypedRefusal with what may have been meant
 */
export function readVolumeL(typed: string, by: TypedBy, { unit, limits = VOLUME_LIMITS }: VolumeOptions): number {
  const parts = wholeParts(typed, by);
  const shown = (value: number): Sentence => say`${volumeL(value)}`;
  const [only] = parts;
  if (only === undefined) throw new TypedRefusal(NOT_TYPED);
  const litersOf = ({ figure, measure }: Part): number =>
    measure?.of === 'volume' ? first(figure) * LITERS_PER[measure.unit] : measure === null ? first(figure) * LITERS_PER[unit] : Number.NaN;
  if (parts.length > 1 && only.measure?.of === 'volume')
    return settle([parts.reduce((sum, part) => sum + litersOf(part), 0)], limits, 'The volume', volumeOffer, shown);
  const { figure, measure } = only;
  const times = (factor: number): number =>
    settle(
      figure.values.map((value) => value * factor),
      limits,
      'The volume',
      volumeOffer,
      shown,
    );
  if (measure === null) return times(LITERS_PER[unit]);
  if (measure.of === 'volume' && parts.length === 1) return times(LITERS_PER[measure.unit]);
  if (measure.of === 'spoon' && parts.length === 1) return times(spoonL(measure.spoons, by.units));
  if (measure.of === 'volume by country') {
    const offerOf = (kind: VolumeUnit): Offer => volumeOffer(sumOf(parts, kind, measure), [`, ${UNIT_SYMBOL[kind]}`]);
    throw new TypedRefusal('That measure is not the same everywhere; which is meant?', [
      offerOf(measure.us),
      ...(measure.uk === null ? [] : [offerOf(measure.uk)]),
    ]);
  }
  if (measure.of === 'mass' && measure.unit === 'oz' && parts.length === 1) {
    const kinds: VolumeUnit[] = by.units === 'us' ? ['us_floz'] : by.units === 'uk' ? ['uk_floz'] : ['us_floz', 'uk_floz'];
    throw new TypedRefusal(
      'An ounce is a weight; a volume is wanted here. Fluid ounces?',
      kinds.map((kind) => volumeOffer(first(figure) * LITERS_PER[kind], [`, ${UNIT_SYMBOL[kind]}`])),
    );
  }
  throw new TypedRefusal(`“${typed.trim()}” does not measure volume; use ml, L, cups, pints, quarts or gal.`);
}

/** Parts of one country’s measures, with the country of the first for all. */
function sumOf(parts: readonly Part[], first: VolumeUnit, { us }: { us: VolumeUnit }): number {
  const isUs = first === us;
  return parts.reduce((sum, { figure, measure }) => {
    if (measure?.of !== 'volume by country') return sum;
    return sum + (figure.values[0] ?? 0) * LITERS_PER[isUs || measure.uk === null ? measure.us : measure.uk];
  }, 0);
}
