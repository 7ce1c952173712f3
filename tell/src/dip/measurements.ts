import { GRAVITY_INSTRUMENTS } from '@hollow-bell/core/liquid';
import type { GravityInstrument } from '@hollow-bell/core/liquid';
import type { Seen } from '@hollow-bell/core/record';
import {
  READING_LIMITS,
  SG_RANGE,
  SHOWN_UNITS,
  TypedRefusal,
  gravity,
  meantSg,
  readBrix,
  readPh,
  readSg,
  readTempC,
  requireWithin,
  say,
  takeFigure,
  takeMeasure,
  tempC,
  tempToC,
} from '@hollow-bell/core/quantities';
import type { Sentence, TypedBy } from '@hollow-bell/core/quantities';
import { DipAsk, candidate } from './ask.ts';

type Key = 'sg' | 'brix' | 'tempC' | 'ph' | 'taGPerL' | 'freeSo2MgPerL' | 'leesMm';

/** What may stand before a number to say what it is. */
const NAMES: readonly (readonly [RegExp, Key])[] = [
  [/^(?:s\.?g\.?|og|fg|gravity)(?: is| reads| at)?[\s:=]*(?=[\d.,])/, 'sg'],
  [/^(?:brix|bx|°bx)[\s:=]*(?=[\d.,])/, 'brix'],
  [/^ph[\s:=]*(?=[\d.,])/, 'ph'],
  [/^(?:ta|acid)[\s:=]*(?=[\d.,])/, 'taGPerL'],
  [/^(?:free )?so2[\s:=]*(?=[\d.,])/, 'freeSo2MgPerL'],
  [/^lees(?: stand| at)?[\s:=]*(?=[\d.,])/, 'leesMm'],
  [/^(?:temp(?:erature)?|(?:must|mead|sample)(?: is| at| reads)?|at|@|\/)[\s:=]*(?=[\d.,])/, 'tempC'],
];

const INSTRUMENT_WORDS = new Map<string, GravityInstrument>([
  ...GRAVITY_INSTRUMENTS.map((name) => [name, name] as const),
  ['meter', 'density meter'],
]);

/** Behind a number: a unit of one of the scales. */
const UNITS: readonly (readonly [RegExp, Key])[] = [
  [/^\s*[°%]?\s*(?:bx|brix)\b/, 'brix'],
  [/^\s*ph\b(?![\s:=]*[\d.,])/, 'ph'],
  [/^\s*(?:[mc]m|inch(?:es)?|in)\b/, 'leesMm'],
  [/^\s*g\/l\b/, 'taGPerL'],
  [/^\s*(?:mg\/l|ppm)\b/, 'freeSo2MgPerL'],
];

const looksLikeGravity = (text: string, value: number): boolean =>
  /^[01]?[.,]\d{2,4}$/.test(text) && value >= SG_RANGE.low && value <= SG_RANGE.high;

/** A temperature in the house's degree; one that no sample can have is asked about in the other. */
function readTemp(text: string, by: TypedBy, again: (line: string) => string, before: string): number {
  try {
    return readTempC(text, by, { unit: SHOWN_UNITS[by.units].temp });
  } catch (error) {
    if (!(error instanceof TypedRefusal) || error.offers.length === 0) throw error;
    const degrees = text.replace(/[^\d.,]/g, '');
    const other = /f/.test(text) || (!/c/.test(text) && SHOWN_UNITS[by.units].temp === 'f') ? 'c' : 'f';
    throw new DipAsk(error.said, [candidate(again(`${before}${degrees}${other}`))]);
  }
}

/** A number by itself: degrees, points, or a gravity without its point. */
function askAboutBare(text: string, value: number, by: TypedBy, again: (line: string) => string): never {
  const sg = meantSg(text, value);
  const unit = SHOWN_UNITS[by.units].temp;
  const celsius = tempToC(value, unit);
  const isTemp = /^\d{1,3}([.,]\d)?$/.test(text) && celsius >= READING_LIMITS.tempC.low && celsius <= READING_LIMITS.tempC.high;
  const candidates = [
    ...(isTemp ? [candidate(again(`${text}${unit}`), say`${tempC(celsius)}`)] : []),
    ...(sg === undefined ? [] : [candidate(again(sg.toFixed(3)), say`gravity ${gravity(sg)}`)]),
  ];
  throw new DipAsk(`${text} of what?`, candidates);
}

/** Offers of a refused number, as lines. */
function lineOffers<T>(read: () => T, as: (shown: string) => string): T {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof TypedRefusal) || error.offers.length === 0) throw error;
    throw new DipAsk(
      error.said,
      error.offers.map(({ value, said }) => candidate(as(String(Number(value.toFixed(4)))), said)),
    );
  }
}

/**
 * Measurements side by side: gravities, °Brix, pH, acid, SO₂, lees and a temperature. Behind a gravity a second number is the
 * sample's temperature. Null where the words are no measurements.
 *
 * @param again puts another text in the place of these words, for a line to press
 * @throws DipAsk for two gravities, or a number that may be several things; TypedRefusal for one that cannot be
 */
export function readMeasurements(words: string, by: TypedBy, again: (line: string) => string): Seen | null {
  const seen: Seen = {};
  let rest = words
    .trim()
    .replace(/\bhalf an? (?=inch|cm)/, '0.5 ')
    .replace(/^(\d[.,]\d{2,4})\s*\/\s*(?=\d)/, '$1 / ');
  let done = '';
  while (rest !== '') {
    const instrument = [...INSTRUMENT_WORDS.keys()].find((word) => new RegExp(`^(?:by |on )?(?:the )?${word}(?:\\s|$)`).test(rest));
    if (instrument !== undefined) {
      seen.instrument = INSTRUMENT_WORDS.get(instrument);
      rest = rest.slice(rest.indexOf(instrument) + instrument.length).trimStart();
      continue;
    }
    const name = NAMES.find(([pattern]) => pattern.test(rest));
    const before = name?.[0].exec(rest)?.[0] ?? '';
    const taken = takeFigure(rest.slice(before.length), by.locale);
    if (taken === null) return null;
    const { text } = taken.figure;
    const value = taken.figure.values.at(-1) ?? 0;
    const unit = UNITS.find(([pattern]) => pattern.test(taken.rest));
    const degree = unit === undefined ? takeMeasure(taken.rest, by.units) : null;
    const sign = /^\s*(?:°|degrees?)(?=\s|$)/.exec(taken.rest)?.[0] ?? '';
    if (degree !== null && degree.measure.of !== 'temperature') return null;
    const isWarm = degree !== null || sign !== '';
    const key: Key | undefined = isWarm ? 'tempC' : (unit?.[1] ?? name?.[1]);
    const left = isWarm
      ? (degree?.rest ?? taken.rest.slice(sign.length))
      : unit === undefined
        ? taken.rest
        : taken.rest.slice(unit[0].exec(taken.rest)?.[0].length ?? 0);
    if (left !== '' && !/^[\s,]/.test(left)) return null;
    const bare = key ?? bareKey(text, value, seen, left.trim(), by, again);
    if (bare === null) return null;
    const inMm = bare === 'leesMm' ? value * mmPer(taken.rest) : value;
    take(seen, bare, { text, value: inMm, typed: rest.slice(before.length, rest.length - left.length).trim(), done }, by, again);
    done = `${words
      .trim()
      .slice(0, words.trim().length - left.length)
      .trim()} `;
    rest = left.replace(/^[\s,]+/, '');
  }
  const { instrument, ...values } = seen;
  if (Object.keys(values).length === 0) return null;
  if (instrument !== undefined && seen.sg === undefined && seen.brix === undefined)
    throw new TypedRefusal(`A ${instrument} without its reading; add one, such as “1.048 float”.`);
  return seen;
}

/** Millimeters in the unit that stands behind a height. */
const mmPer = (behind: string): number => (/^\s*cm\b/.test(behind) ? 10 : /^\s*in/.test(behind) ? 25.4 : 1);

/** What a number without name and unit is, by how it looks and what stands before it; null where it is none of these. */
function bareKey(text: string, value: number, seen: Seen, left: string, by: TypedBy, again: (line: string) => string): Key | null {
  if (looksLikeGravity(text, value)) return 'sg';
  if (seen.instrument === 'refractometer' && seen.brix === undefined && value <= READING_LIMITS.brix.high) return 'brix';
  if ((seen.sg !== undefined || seen.brix !== undefined) && seen.tempC === undefined) return 'tempC';
  if (left !== '' && !/^[\d.,]/.test(left)) return null;
  if (/^[01][.,]\d+$/.test(text)) return 'sg';
  return askAboutBare(text, value, by, again);
}

interface Typed {
  text: string;
  value: number;
  /** The number with its unit, as typed. */
  typed: string;
  /** What of the words stands before it. */
  done: string;
}

function take(seen: Seen, key: Key, { text, value, typed, done }: Typed, by: TypedBy, again: (line: string) => string): void {
  if (key === 'sg' && seen.sg !== undefined) {
    const said = (sg: number): Sentence => say`${gravity(sg)}`;
    throw new DipAsk('Two gravities at once: which is it?', [
      candidate(again(seen.sg.toFixed(3)), said(seen.sg)),
      candidate(again(text), said(value)),
    ]);
  }
  switch (key) {
    case 'sg':
      seen.sg = lineOffers(() => readSg(text, by), again);
      return;
    case 'brix':
      seen.brix = lineOffers(
        () => readBrix(text, by),
        (shown) => again(`${shown}bx`),
      );
      return;
    case 'ph':
      seen.ph = lineOffers(
        () => readPh(text, by),
        (shown) => again(`ph ${shown}`),
      );
      return;
    case 'tempC':
      seen.tempC = readTemp(typed, by, again, done);
      return;
    case 'taGPerL':
      seen.taGPerL = requireWithin('The acid', value, READING_LIMITS.taGPerL.low, READING_LIMITS.taGPerL.high, 'g/L');
      return;
    case 'freeSo2MgPerL':
      seen.freeSo2MgPerL = requireWithin('Free SO₂', value, READING_LIMITS.freeSo2MgPerL.low, READING_LIMITS.freeSo2MgPerL.high, 'mg/L');
      return;
    case 'leesMm':
      seen.leesMm = requireWithin('The height of the lees', value, READING_LIMITS.leesMm.low, READING_LIMITS.leesMm.high, 'mm');
  }
}
