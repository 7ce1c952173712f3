import {
  DAY_MS,
  FIELD_KINDS,
  LITERS_PER,
  SHOWN_UNITS,
  UNIT_SYMBOL,
  celsiusToF,
  isRough,
  massFromG,
  volumeFromL,
} from '@hollow-bell/core/quantities';
import type { FieldKind, Quantity, Ranged, Sentence, UnitSystem, VolumeUnit } from '@hollow-bell/core/quantities';

export type QuantityKind = Quantity['kind'];

/** How the maker reads: units, locale, and the time it is. */
export interface Reader {
  units: UnitSystem;
  locale: string | undefined;
  now: number;
}

/** Below this, mass is shown in grams in every system: nutrients and salts are weighed in grams. */
const SMALL_MASS_G = 200;
/** Below this, volume is shown in milliliters in every system: spoons and drops. */
const SMALL_VOLUME_L = 0.1;
/** In a house of gallons volumes below half a gallon are told in smaller measures, each up to so many liters, with its decimals. */
const SMALLER: Record<UnitSystem, readonly { unit: VolumeUnit; toL: number; digits: number }[]> = {
  metric: [],
  us: [
    { unit: 'us_floz', toL: LITERS_PER.us_qt / 2, digits: 1 },
    { unit: 'us_qt', toL: LITERS_PER.us_gal / 2, digits: 2 },
  ],
  uk: [{ unit: 'uk_pt', toL: LITERS_PER.uk_gal / 2, digits: 2 }],
};
/** Below this a fluid ounce is told in milliliters too: spoons. */
const LEAST_OUNCES_L = 0.015;

/** Making a format costs far more than using it, and a screen uses a few of them hundreds of times. */
const formats = new Map<string, Intl.NumberFormat | Intl.DateTimeFormat>();
function formatOf<F extends Intl.NumberFormat | Intl.DateTimeFormat>(key: string, make: () => F): F {
  const known = formats.get(key) as F | undefined;
  if (known !== undefined) return known;
  const made = make();
  formats.set(key, made);
  return made;
}

function fixed(value: number, digits: number, locale: string | undefined): string {
  const tidy = Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value;
  const options = { minimumFractionDigits: digits, maximumFractionDigits: digits };
  return formatOf(`number ${locale ?? ''} ${digits}`, () => new Intl.NumberFormat(locale, options)).format(tidy);
}

const DATES = {
  clock: { hour: '2-digit', minute: '2-digit' },
  weekday: { weekday: 'short' },
  day: { day: 'numeric', month: 'long' },
  monthAndYear: { month: 'long', year: 'numeric' },
  dayAndYear: { day: 'numeric', month: 'long', year: 'numeric' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;
/**
 * Sentences are English, so days and months in them are; how a day and an hour are put together is the maker’s own. A locale that is
 * not English writes them as in Britain, by the 24-hour clock.
 */
function dateLocale(locale: string | undefined): string {
  const known = locale ?? new Intl.DateTimeFormat().resolvedOptions().locale;
  return known.startsWith('en') ? known : 'en-GB';
}
const dated = (date: Date, name: keyof typeof DATES, locale: string | undefined): string =>
  formatOf(`${name} ${locale ?? ''}`, () => new Intl.DateTimeFormat(dateLocale(locale), DATES[name])).format(date);

/** A plain number with so many decimals, as this maker writes them. */
export const shownNumber = (value: number, digits: number, { locale }: Pick<Reader, 'locale'>): string => fixed(value, digits, locale);
/** A value in SI as it stands in a field of this maker’s, to be typed over: plain digits, in the unit that a bare number has there. */
export function fieldText(kind: FieldKind, value: number, { units, locale }: Pick<Reader, 'units' | 'locale'>): string {
  const { mass, volume, temp } = SHOWN_UNITS[units];
  const plain = (number: number, digits: number): string =>
    number.toLocaleString(locale, { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: false });
  if (kind === 'mass') return plain(massFromG(value, mass), 2);
  if (kind === 'smallMass') return plain(value, value < 10 ? 2 : 1);
  if (kind === 'volume') return plain(volumeFromL(value, volume), 2);
  if (kind === 'temp') return plain(temp === 'f' ? celsiusToF(value) : value, 1);
  return plain(value, FIELD_KINDS[kind].digits);
}
/** A day by a pattern of its own: a heading, a label. */
export const shownDate = (at: number, how: Intl.DateTimeFormatOptions, { locale }: Pick<Reader, 'locale'>): string =>
  new Intl.DateTimeFormat(dateLocale(locale), how).format(at);

const digitsFor = (value: number): number => (Math.abs(value) < 10 ? 2 : Math.abs(value) < 100 ? 1 : 0);
const NBSP = '\u00a0';

function shownMass(massG: number, { units, locale }: Reader): [string, string] {
  if (massG < SMALL_MASS_G || (units === 'metric' && massG < 1000)) {
    return [fixed(massG, massG === 0 ? 0 : massG < 1 ? 2 : massG < 100 ? 1 : 0, locale), 'g'];
  }
  const unit = SHOWN_UNITS[units].mass;
  const value = massFromG(massG, unit);
  return [fixed(value, digitsFor(value), locale), UNIT_SYMBOL[unit]];
}

function shownVolume(volumeL: number, { units, locale }: Reader): [string, string] {
  const smallL = units === 'us' ? LEAST_OUNCES_L : SMALL_VOLUME_L;
  if (volumeL > 0 && volumeL < smallL) return [fixed(volumeL * 1000, 0, locale), 'ml'];
  const smaller = volumeL > 0 ? SMALLER[units].find(({ toL }) => volumeL < toL) : undefined;
  if (smaller !== undefined) return [fixed(volumeFromL(volumeL, smaller.unit), smaller.digits, locale), UNIT_SYMBOL[smaller.unit]];
  const unit = SHOWN_UNITS[units].volume;
  const value = volumeFromL(volumeL, unit);
  return [fixed(value, digitsFor(value), locale), UNIT_SYMBOL[unit]];
}

/** What a bottle holds, as it is called there: milliliters, or fluid ounces. */
function shownBottle(sizeMl: number, { units, locale }: Reader): [string, string] {
  const value = units === 'us' ? volumeFromL(sizeMl / 1000, 'us_floz') : sizeMl;
  return [fixed(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1, locale), units === 'us' ? UNIT_SYMBOL.us_floz : 'ml'];
}

const isWhole = (value: number): boolean => Math.abs(value - Math.round(value)) < 1e-6;

/** Whole degrees of the one scale are whole ones of the other: nobody reads 57.2 °F. */
function shownTemp(tempC: number, { units, locale }: Reader): [string, string] {
  const value = units === 'us' ? (isWhole(tempC) ? Math.round(celsiusToF(tempC)) : celsiusToF(tempC)) : tempC;
  return [fixed(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1, locale), units === 'us' ? '°F' : '°C'];
}

/** A difference, not a reading: 5 °C are 9 °F. */
function shownDegrees(celsius: number, { units, locale }: Reader): [string, string] {
  const value = units === 'us' ? celsius * 1.8 : celsius;
  return [fixed(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1, locale), units === 'us' ? '°F' : '°C'];
}

/** A moment as makers say it: “today 16:40”, “yesterday 8:10”, “Sat 18:40”, “2 November”. */
function shownWhen(at: number, { now, locale }: Reader): string {
  const date = new Date(at);
  const midnight = new Date(now).setHours(0, 0, 0, 0);
  const daysAgo = Math.round((midnight - new Date(at).setHours(0, 0, 0, 0)) / DAY_MS);
  const clock = dated(date, 'clock', locale);
  if (daysAgo === 0) return `today ${clock}`;
  if (daysAgo === 1) return `yesterday ${clock}`;
  if (daysAgo === -1) return `tomorrow ${clock}`;
  if (Math.abs(daysAgo) < 7) return `${dated(date, 'weekday', locale)} ${clock}`;
  const sameYear = date.getFullYear() === new Date(now).getFullYear();
  return dated(date, sameYear ? 'day' : 'dayAndYear', locale);
}

/** Within so many days a date needs no year; beyond, the month is enough. */
const NEAR_DAYS = 300;
function shownDay(at: number, { now, locale }: Reader): string {
  const isNear = Math.abs(at - now) < NEAR_DAYS * DAY_MS;
  return dated(new Date(at), isNear ? 'day' : 'monthAndYear', locale);
}

function shownHours(hours: number, locale: string | undefined): [string, string] {
  return hours >= 72.5 ? [fixed(hours / 24, 0, locale), 'days'] : [fixed(hours, hours < 3 ? 1 : 0, locale), 'h'];
}

/** A level teaspoon is the finest spoon: to the eighth below one half, to the quarter above; less than an eighth wants a scale. */
function shownTeaspoons(value: number, locale: string | undefined): string {
  if (value < LEAST_SPOON) return 'less than ⅛';
  const eighths = Math.round(value * 8);
  if (eighths < 4) return ['', '⅛', '¼', '⅜'][eighths] ?? '⅛';
  return (Math.round(value * 4) / 4).toLocaleString(locale);
}
/** Below this an eighth would be a fifth too much. */
const LEAST_SPOON = 0.125 / 1.2;

/** Number and unit of a quantity, apart, in the maker's units. */
export function shownParts(kind: QuantityKind, value: number, reader: Reader): [number: string, unit: string] {
  const { locale } = reader;
  switch (kind) {
    case 'massG':
      return shownMass(value, reader);
    case 'teaspoons':
      return [shownTeaspoons(value, locale), 'tsp'];
    case 'volumeL':
      return shownVolume(value, reader);
    case 'bottleMl':
      return shownBottle(value, reader);
    case 'tempC':
      return shownTemp(value, reader);
    case 'degrees':
      return shownDegrees(value, reader);
    case 'sg':
      /** A hair below a half is a half: 1.0785 is told alike wherever it was reckoned. */
      return [fixed(value + 1e-9, 3, locale), ''];
    case 'abv':
      return [fixed(value, 1, locale), '% vol'];
    case 'percent':
      return [fixed(value, 0, locale), '%'];
    case 'gPerL':
      return [fixed(value, value < 9.95 ? 1 : 0, locale), 'g/L'];
    case 'mgPerL':
      return [fixed(value, 0, locale), 'mg/L'];
    case 'volumes':
      return [fixed(value, 1, locale), 'volumes'];
    case 'bar':
      return [fixed(value, 1, locale), 'bar'];
    case 'brix':
      return [fixed(value, 1, locale), '°Bx'];
    case 'mm':
      return [fixed(value, 0, locale), 'mm'];
    case 'points':
      return [fixed(value, 0, locale), Math.round(value) === 1 ? 'point' : 'points'];
    case 'ph':
      return [fixed(value, 2, locale), ''];
    case 'hours':
      return shownHours(value, locale);
    case 'when':
      return [shownWhen(value, reader), ''];
    case 'day':
      return [shownDay(value, reader), ''];
  }
}

export function shown(kind: QuantityKind, value: number, reader: Reader): string {
  const [number, unit] = shownParts(kind, value, reader);
  return unit === '' ? number : `${number}${NBSP}${unit}`;
}

/** “1.106 – 1.118”; empty where the range is nothing. Ends of different units each carry their own. */
export function shownRange(kind: QuantityKind, range: Ranged, reader: Reader): string {
  const [low, lowUnit] = shownParts(kind, range.low, reader);
  const [high, unit] = shownParts(kind, range.high, reader);
  if (range.low === range.high || (low === high && lowUnit === unit)) return '';
  return `${low}${lowUnit === unit ? '' : `${NBSP}${lowUnit}`} – ${high}${unit === '' ? '' : `${NBSP}${unit}`}`;
}

/** A figure as one number, or as its range where it is mostly doubt. */
export function shownFigure(kind: QuantityKind, figure: Ranged, reader: Reader): string {
  const range = isRough(figure) ? shownRange(kind, figure, reader) : '';
  return range === '' ? shown(kind, figure.value, reader) : range;
}

/** A whole sentence as text, for buttons, titles and messages. */
export function shownSentence(sentence: Sentence, reader: Reader): string {
  return sentence.map((part) => (typeof part === 'string' ? part : shown(part.kind, part.value, reader))).join('');
}

/** An amount of money with the maker's own sign, before it as makers write it on a jar. */
export const shownMoney = (amount: number, sign: string, { locale }: Reader): string => `${sign}${NBSP}${fixed(amount, 2, locale)}`;
