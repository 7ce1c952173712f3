import { READING_LIMITS, SG_RANGE } from '../limits.ts';
import type { Limits } from '../limits.ts';
import { brix, gravity, phValue, say, tempC } from '../sentence.ts';
import type { Sentence } from '../sentence.ts';
import { celsiusToF, tempToC } from '../units.ts';
import type { TempUnit } from '../units.ts';
import { NOT_TYPED } from './amounts.ts';
import type { TypedBy } from './amounts.ts';
import { takeFigure, tidied } from './figures.ts';
import { TypedRefusal } from './refused.ts';
import type { Offer } from './refused.ts';
import { takeMeasure } from './units.ts';

/** A text as a number and what stands behind it. */
function split(typed: string, by: TypedBy, prefix?: RegExp): { values: readonly number[]; text: string; word: string } {
  const tidy = tidied(typed);
  const text = prefix === undefined ? tidy : tidy.replace(prefix, '').trim();
  if (text === '') throw new TypedRefusal(NOT_TYPED);
  const sign = /^[+-]/.exec(text)?.[0] ?? '';
  const taken = takeFigure(text.slice(sign.length).trimStart(), by.locale);
  if (taken === null)
    throw new TypedRefusal(`“${typed.trim()}” is not a number; write digits with a point or a comma, such as 1.048 or 4,2.`);
  const { figure, rest } = taken;
  return { values: sign === '-' ? figure.values.map((value) => -value) : figure.values, text: figure.text, word: rest.trim() };
}

const tidyNumber = (value: number): string => String(Number(value.toPrecision(6)));

/** A number on a scale of its own, such as % or g/L, its unit typed or not. */
export function readPlain(
  typed: string,
  by: TypedBy,
  options: { named: string; limits: Limits; unit: string; isWhole?: boolean; words?: RegExp },
): number {
  const { named, limits, unit, isWhole = false, words } = options;
  const { values, word } = split(typed, by);
  const isKnown = word === '' || word.replace(/\s/g, '') === unit.toLowerCase().replace(/\s/g, '') || words?.test(word) === true;
  if (!isKnown)
    throw new TypedRefusal(`“${word}” does not belong here; ${unit === '' ? 'a plain number is wanted' : `write it in ${unit}`}.`);
  const suffix = unit === '' ? '' : ` ${unit}`;
  const within = values.filter((value) => value >= limits.low && value <= limits.high && (!isWhole || Number.isInteger(value)));
  const [value] = within;
  if (value !== undefined) return value;
  const shown = tidyNumber(values[0] ?? 0);
  if (isWhole && values.some((each) => !Number.isInteger(each)))
    throw new TypedRefusal(`${named} is ${shown}; it is counted in whole ones.`);
  throw new TypedRefusal(`${named} is ${shown}${suffix}; it must lie between ${limits.low} and ${limits.high}${suffix}.`);
}

/** An amount of money in the house’s own currency, its sign typed or not. */
export function readMoney(
  typed: string,
  by: TypedBy,
  { currency, named, limits }: { currency: string; named: string; limits: Limits },
): number {
  const signs = [currency.toLowerCase(), CODES[currency.toUpperCase()] ?? '', SIGNS[currency] ?? ''].filter((sign) => sign !== '');
  const bare = signs.reduce((text, sign) => text.replaceAll(sign.toLowerCase(), ''), tidied(typed)).trim();
  const foreign = /[$€£¥₹]|\b(?:usd|eur|gbp|chf)\b/.exec(bare)?.[0];
  if (foreign !== undefined)
    throw new TypedRefusal(`Prices here are in ${currency}, not in ${foreign}; write what it cost in ${currency}.`);
  return readPlain(bare, by, { named, limits, unit: '' });
}
const CODES: Record<string, string> = { EUR: '€', USD: '$', GBP: '£', CHF: 'chf', JPY: '¥' };
const SIGNS: Record<string, string> = { '€': 'eur', $: 'usd', '£': 'gbp', '¥': 'jpy' };

const gravityOffer = (value: number): Offer => ({ value, said: say`${gravity(value)}` });

/** What was probably meant by a number that is no gravity: 1048, 10.48 and 48 for 1.048; nothing where it only lies off the scale. */
export function meantSg(text: string, value: number): number | undefined {
  const digits = text.replace(/[.,]/g, '');
  const isPoints = /^\d{1,3}$/.test(text) && value < 200;
  const isShifted = /^(1[0-2]\d{2}|0?9[7-9]\d)$/.test(digits) && !/^[01]?[.,]/.test(text);
  const meant = isShifted
    ? Number(digits.startsWith('0') || digits.length === 3 ? `0.${digits.replace(/^0/, '')}` : `1.${digits.slice(1)}`)
    : isPoints
      ? 1 + value / 1000
      : undefined;
  return meant !== undefined && meant >= SG_RANGE.low && meant <= SG_RANGE.high ? Math.round(meant * 1e4) / 1e4 : undefined;
}

/**
 * Specific gravity from typed text, with its name before it or not. Valid 0.970 to 1.200, written with its point.
 * @throws TypedRefusal that offers what was meant where that is plain
 */
export function readSg(typed: string, by: TypedBy): number {
  const { values, text, word } = split(typed, by, /^(?:sg|s\.g\.|og|fg|gravity)\b[\s:=]*/);
  const measured = word === '' ? null : takeMeasure(word, by.units);
  if (measured?.measure.of === 'temperature')
    throw new TypedRefusal(`“${typed.trim()}” is a temperature; a specific gravity is wanted here, such as 1.048.`, [], 'tempC');
  if (word !== '') throw new TypedRefusal(`A specific gravity has no unit; “${word}” is one too many.`, [], 'sg');
  /** A gravity has three decimals: a mark in it never parts thousands. */
  const value = values.at(-1) ?? 0;
  const isWritten = /^[01]?[.,]\d+$/.test(text);
  if (isWritten && value >= SG_RANGE.low && value <= SG_RANGE.high) return value;
  const meant = meantSg(text, value);
  const offers = meant === undefined ? [] : [gravityOffer(meant)];
  const asked: Sentence = meant === undefined ? [] : say` Did you mean ${gravity(meant)}?`;
  throw new TypedRefusal([`${typed.trim()} is no specific gravity; it must lie between 0.970 and 1.200.`, ...asked], offers, 'sg');
}

/** What a scale with its own decimals may have meant by a number without its point. */
function shifted(value: number, { low, high }: Limits): number | undefined {
  return [value / 10, value / 100].find((each) => Number.isInteger(value) && each > low && each <= high);
}

/** °Brix as a refractometer shows it, 0 to 45. */
export function readBrix(typed: string, by: TypedBy, limits: Limits = READING_LIMITS.brix): number {
  const { values, word } = split(typed, by, /^(?:brix|bx|°bx)\b[\s:=]*/);
  if (!/^(?:°?\s*(?:bx|brix)|%|)$/.test(word))
    throw new TypedRefusal(`“${word}” does not belong here; write °Bx, such as 18.4.`, [], 'brix');
  const value = values.at(-1) ?? 0;
  if (value >= limits.low && value <= limits.high) return value;
  const meant = shifted(value, limits);
  throw new TypedRefusal(
    [
      `The refractometer is ${tidyNumber(value)} °Bx; it must lie between ${limits.low} and ${limits.high} °Bx.`,
      ...(meant === undefined ? [] : say` Did you mean ${brix(meant)}?`),
    ],
    meant === undefined ? [] : [{ value: meant, said: say`${brix(meant)}` }],
    'brix',
  );
}

/** A pH, 2.5 to 5, with its name before it or not. */
export function readPh(typed: string, by: TypedBy, limits: Limits = READING_LIMITS.ph): number {
  const { values, word } = split(typed, by, /^ph\b[\s:=]*/);
  if (word !== '' && word !== 'ph') throw new TypedRefusal(`“${word}” does not belong behind a pH; write 3.42.`, [], 'ph');
  const value = values.at(-1) ?? 0;
  if (value >= limits.low && value <= limits.high) return value;
  const meant = shifted(value, limits);
  throw new TypedRefusal(
    [
      `The pH is ${tidyNumber(value)}; it must lie between ${limits.low} and ${limits.high}.`,
      ...(meant === undefined ? [] : say` Did you mean ${phValue(meant)}?`),
    ],
    meant === undefined ? [] : [{ value: meant, said: say`pH ${phValue(meant)}` }],
    'ph',
  );
}

/**
 * Temperature in °C from typed text. Outside of what can be, the sentence offers the other scale where that fits.
 * @param unit of a bare number
 */
export function readTempC(
  typed: string,
  by: TypedBy,
  { unit, limits = READING_LIMITS.tempC, named = 'A sample' }: { unit: TempUnit; limits?: Limits; named?: string },
): number {
  const { values, text, word } = split(typed, by);
  const bare = word.replace(/^(?:°|degrees?|deg)$/, '');
  const measured = bare === '' ? null : takeMeasure(bare, by.units);
  if (bare !== '' && (measured?.measure.of !== 'temperature' || measured.rest.trim() !== ''))
    throw new TypedRefusal(`“${word}” does not measure temperature; use °C or °F.`, [], 'tempC');
  const value = values.at(-1) ?? 0;
  if (bare === '' && /^[01][.,]\d{3}$/.test(text) && value >= SG_RANGE.low && value <= SG_RANGE.high)
    throw new TypedRefusal(`${text} reads like a gravity; a temperature is wanted here.`, [], 'sg');
  const typedUnit = measured?.measure.of === 'temperature' ? measured.measure.unit : unit;
  const celsius = tempToC(value, typedUnit);
  if (celsius >= limits.low && celsius <= limits.high) return celsius;
  const otherC = tempToC(value, typedUnit === 'c' ? 'f' : 'c');
  const isMeant = otherC >= limits.low && otherC <= limits.high;
  const sign = (each: TempUnit): string => `°${each.toUpperCase()}`;
  throw new TypedRefusal(
    [
      `${named} at ${tidyNumber(value)} ${sign(typedUnit)} cannot be; it must lie between ${limits.low} and ${limits.high} °C (${celsiusToF(limits.low)} and ${celsiusToF(limits.high)} °F).`,
      ...(isMeant ? [` Did you mean ${tidyNumber(value)} ${sign(typedUnit === 'c' ? 'f' : 'c')}?`] : []),
    ],
    isMeant ? [{ value: otherC, said: [...say`${tempC(otherC)}`, ` (${tidyNumber(value)} ${sign(typedUnit === 'c' ? 'f' : 'c')})`] }] : [],
    'tempC',
  );
}

/** A bare number with comma or point, for what has no scale of its own. */
export function readNumber(typed: string, by: TypedBy): number {
  const { values, word } = split(typed, by);
  if (word !== '') throw new TypedRefusal(`“${typed.trim()}” is not a number; write digits with a point or a comma, such as 1.048 or 4,2.`);
  return values.at(-1) ?? 0;
}
