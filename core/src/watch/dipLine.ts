import { GRAVITY_INSTRUMENTS } from '../liquid/index.ts';
import type { CalibrationC, GravityInstrument, PhCalibration } from '../liquid/index.ts';
import { fedEvent, productName } from '../feed/index.ts';
import type { Product } from '../feed/index.ts';
import { BASE_SALTS, NUTRIENTS, gravityRead } from '../ledger/index.ts';
import type { EventContent, Ledger, Mark, NutrientId, Payloads } from '../ledger/index.ts';
import {
  HOUR_MS,
  Refusal,
  brix,
  gPerL,
  gravity,
  massG,
  mgPerL,
  mm,
  phValue,
  readMassG,
  readNumber,
  readSampleTempC,
  readSg,
  readVolumeL,
  requireWithin,
  say,
  tempC,
  volumeL,
} from '../quantities/index.ts';
import type { Sentence, TempUnit, UnitSystem } from '../quantities/index.ts';
import { doubtsAbout } from './doubts.ts';

/** What the line needs to know about here and now; nothing is taken from a clock. */
export interface DipContext {
  now: number;
  /** Local midnight this many days ago, in ms since 1970 UTC. */
  midnightDaysAgo: (days: number) => number;
  /** Local midnight of a date, ms since 1970 UTC. */
  midnightOf: (year: number, month: number, day: number) => number;
  /** Today's weekday, Sunday 0. */
  weekday: number;
  units: UnitSystem;
  tempUnit: TempUnit;
  calibrationC: CalibrationC;
  /** Of the house's pH meter; null where it has none. */
  phMeter: PhCalibration | null;
  ledger: Ledger;
  /** What “fed” alone means now: the dose that the plan wants. */
  plannedDose: { dose: number; parts: { product: Product; massG: number }[] } | null;
}

export interface DipReading {
  at: number;
  events: EventContent[];
  understood: Sentence;
  /** What wants a second look before it is written down. */
  doubts: Sentence[];
}

type Understood = Pick<DipReading, 'events' | 'understood'>;

const MARK_WORDS: [RegExp, Mark, string][] = [
  [/^(degassed|degas)$/, 'degassed', 'Degassed'],
  [/^(stirred|roused)$/, 'stirred', 'Stirred'],
  [/^(bubbles|bubbling|airlock (?:moves|bubbles))$/, 'bubbling', 'Bubbling'],
  [/^(quiet|no bubbles|airlock (?:still|quiet))$/, 'quiet', 'No bubbles'],
  [/^(foam|foaming|foams)$/, 'foam', 'Foaming'],
  [/^(clear|cleared)$/, 'clear', 'Clear'],
  [/^(hazy|cloudy)$/, 'hazy', 'Hazy'],
  [/^(smells? of )?(sulfur|sulphur|rotten eggs?)$/, 'sulfur', 'Smells of sulfur'],
  [/^(smells? of )?(solvent|nail polish|glue)$/, 'solvent', 'Smells of solvent'],
  [/^(smells? of )?(vinegar)$/, 'vinegar', 'Smells of vinegar'],
  [/^(a )?(film|skin|pellicle)( on (it|top))?$/, 'film', 'A film on it'],
];
const TASTE = /^tast(?:es?|ed)\s+(?!with\b)\S/;

/** What “fed 2 g …” may end with; organic nutrient where it ends with nothing. Longer words come first. */
const FED_WORDS: [string, NutrientId][] = [
  ['organic nutrient', 'organic'],
  ['organic', 'organic'],
  ['cut dap', 'cutDap'],
  ['dap', 'dap'],
  ['complex blend', 'complex'],
  ['complex', 'complex'],
  ['ammonium-free mix', 'noAmmonium'],
  ['ammonium-free', 'noAmmonium'],
  ['yeast hulls', 'hulls'],
  ['hulls', 'hulls'],
];

const AGO_H: Record<string, number> = { m: 1 / 60, h: 1, d: 24, w: 168 };
const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];

/** Midnight of the day that the line begins with; null where it names none. A weekday is the last one of that name. */
function takeDay(line: string, context: DipContext): { midnight: number; hasClock: boolean; rest: string } | null {
  const date = /^(\d{4})-(\d{2})-(\d{2})\b\s*/.exec(line);
  if (date !== null) {
    const [year, month, day] = [Number(date[1]), Number(date[2]), Number(date[3])];
    requireWithin('The month', month, 1, 12);
    requireWithin('The day', day, 1, 31);
    return { midnight: context.midnightOf(year, month, day), hasClock: false, rest: line.slice(date[0].length) };
  }
  const word = /^(?:on |last )?([a-z]{3,9})\b\s*/.exec(line);
  const name = word?.[1] ?? '';
  if (name === 'today' || name === 'yesterday') {
    const midnight = context.midnightDaysAgo(name === 'today' ? 0 : 1);
    return { midnight, hasClock: true, rest: line.slice(word?.[0].length ?? 0) };
  }
  const weekday = WEEKDAYS.findIndex((each) => each === name || each.slice(0, 3) === name);
  if (weekday < 0) return null;
  const daysAgo = (context.weekday - weekday + 7) % 7 || 7;
  return { midnight: context.midnightDaysAgo(daysAgo), hasClock: false, rest: line.slice(word?.[0].length ?? 0) };
}

/** Where a day is named without an hour, noon. */
const NOON_H = 12;

/** Takes a time off the front: “yesterday 18:40”, “sunday 8:10”, “2026-11-12 9:00”, “3 h ago”, “20 min ago”, “18:40”. */
function takeTime(line: string, context: DipContext): { at: number; rest: string } {
  const ago = /^(\d+(?:[.,]\d+)?)\s*(m|min|minutes?|h|hours?|d|days?|w|weeks?)\s+ago\b\s*/.exec(line);
  if (ago !== null) {
    const amount = readNumber(ago[1] ?? '0').value;
    return { at: context.now - amount * (AGO_H[(ago[2] ?? 'h').slice(0, 1)] ?? 1) * HOUR_MS, rest: line.slice(ago[0].length) };
  }
  const day = takeDay(line, context);
  const afterDay = day?.rest ?? line;
  const clock = /^(\d{1,2}):(\d{2})\b\s*/.exec(afterDay);
  if (clock !== null) {
    const hour = requireWithin('The hour', Number(clock[1]), 0, 23);
    const minute = requireWithin('The minute', Number(clock[2]), 0, 59);
    const sinceMidnight = (hour * 60 + minute) * 60_000;
    const today = context.midnightDaysAgo(0) + sinceMidnight;
    /** An hour alone that has not come yet was yesterday's. */
    const at = day === null ? (today > context.now ? context.midnightDaysAgo(1) + sinceMidnight : today) : day.midnight + sinceMidnight;
    return { at, rest: afterDay.slice(clock[0].length) };
  }
  if (day === null) return { at: context.now, rest: afterDay };
  if (day.hasClock) return { at: day.midnight + (context.now - context.midnightDaysAgo(0)), rest: afterDay };
  return { at: day.midnight + NOON_H * HOUR_MS, rest: afterDay };
}

function readVolume(typed: string, context: DipContext): number {
  return readVolumeL(typed, context.units === 'metric' ? 'l' : context.units === 'us' ? 'us_gal' : 'uk_gal', context.units);
}

function readFed(rest: string, context: DipContext): Understood {
  if (rest === '') {
    if (context.plannedDose === null) throw new Refusal('No dose is planned now; say how much of what: “fed 1.6 g organic”.');
    const { dose, parts } = context.plannedDose;
    const told = parts.flatMap(({ product, massG: grams }, i) => [i === 0 ? ' ' : ' and ', massG(grams), ` ${productName(product)}`]);
    return { events: parts.map((part) => fedEvent(part, dose)), understood: [`Dose ${dose} given as planned:`, ...told] };
  }
  const named = FED_WORDS.find(([word]) => rest.endsWith(` ${word}`));
  const source = named?.[1] ?? 'organic';
  const grams = readMassG(named === undefined ? rest : rest.slice(0, -named[0].length), 'g', context.units);
  return {
    events: [{ kind: 'nutrient', payload: { source, massG: grams, dose: context.plannedDose?.dose } }],
    understood: say`Fed ${massG(grams)} of ${NUTRIENTS[source].name}`,
  };
}

/** “hydrometer”, “float” and the like behind a gravity; “meter” alone is the density meter. */
const INSTRUMENT_WORDS = new Map<string, GravityInstrument>([
  ...GRAVITY_INSTRUMENTS.map((name) => [name.replace(' ', ''), name] as const),
  ['meter', 'density meter'],
]);

/** One token of measurements into the reading that is being put together. */
function takeToken(token: string, payload: Payloads['reading'], context: DipContext): Sentence {
  const instrument = INSTRUMENT_WORDS.get(token);
  if (instrument !== undefined) {
    payload.instrument = instrument;
    return [];
  }
  const named = /^(ph|ta|so2|lees)(.+)$/.exec(token);
  const value = (low: number, high: number, what: string): number =>
    requireWithin(what, readNumber((named?.[2] ?? '').replace(/mm$/, '')).value, low, high);
  switch (named?.[1]) {
    case 'ph':
      payload.ph = value(2.5, 5, 'The pH');
      if (context.phMeter !== null) payload.phMeter = context.phMeter;
      return say`pH ${phValue(payload.ph)}`;
    case 'ta':
      payload.taGPerL = value(0, 30, 'The acid');
      return say`acid ${gPerL(payload.taGPerL)}`;
    case 'so2':
      payload.freeSo2MgPerL = value(0, 300, 'Free SO₂');
      return say`free SO₂ ${mgPerL(payload.freeSo2MgPerL)}`;
    case 'lees':
      payload.leesMm = value(0, 500, 'The height of the lees');
      return say`lees ${mm(payload.leesMm)}`;
  }
  if (/(bx|brix)$/.test(token)) {
    payload.brix = requireWithin('The refractometer', readNumber(token.replace(/°?(bx|brix)$/, '')).value, 0, 45, '°Bx');
    return say`refractometer ${brix(payload.brix)}`;
  }
  if (/[cf]$/.test(token)) {
    payload.tempC = readSampleTempC(token, context.tempUnit, context.units);
    return say`at ${tempC(payload.tempC)}`;
  }
  payload.sg = readSg(token);
  return say`gravity ${gravity(payload.sg)}`;
}

/** Measurements side by side: gravities, °Brix, pH, acid, SO₂, lees and a temperature. */
function readMeasurements(line: string, context: DipContext): Understood | null {
  const tokens = line
    .replace(/\b(ph|ta|so2|lees)\s*(?=\d)/g, '$1')
    .replace(/(\d)\s+(°?[cf]|°?bx|brix|mm)\b/g, '$1$2')
    .replace(/\bdensity meter\b/g, 'densitymeter')
    .split(/\s+/);
  const isMeasurement = (token: string): boolean =>
    /^(ph|ta|so2|lees)?[\d.,]+(°?[cf]|°?bx|brix|mm)?$/.test(token) || INSTRUMENT_WORDS.has(token);
  if (!tokens.every(isMeasurement) || !tokens.some((token) => /\d/.test(token))) return null;
  const payload: Payloads['reading'] = {};
  const told = tokens.map((token) => takeToken(token, payload, context)).filter((part) => part.length > 0);
  if (payload.sg !== undefined && payload.brix !== undefined)
    throw new Refusal('One gravity at a time: a hydrometer’s or a refractometer’s.');
  if (payload.sg !== undefined && (payload.instrument ?? 'hydrometer') === 'hydrometer') payload.calibrationC = context.calibrationC;
  if (payload.instrument !== undefined && payload.sg === undefined)
    throw new Refusal(`A ${payload.instrument} without its reading; add one, such as “1.048 float”.`);
  const behind = payload.brix === undefined ? null : gravityRead(context.ledger, payload);
  const understood = told.flatMap((part, i) => (i === 0 ? part : [', ', ...part]));
  const by: Sentence = payload.instrument === undefined ? [] : [` by ${payload.instrument}`];
  const is: Sentence = behind === null ? [] : say`: ${gravity(behind.sg)} ± ${gravity(behind.plusMinus)}`;
  return { events: [{ kind: 'reading', payload }], understood: capitalized([...understood, ...by, ...is]) };
}

const capitalized = ([first, ...rest]: Sentence): Sentence =>
  typeof first === 'string' ? [first.slice(0, 1).toUpperCase() + first.slice(1), ...rest] : first === undefined ? [] : [first, ...rest];

function readWhat(line: string, context: DipContext): Understood {
  for (const [pattern, mark, text] of MARK_WORDS) {
    if (pattern.test(line)) return { events: [{ kind: 'note', payload: { text, mark } }], understood: [text] };
  }
  if (TASTE.test(line)) return { events: [{ kind: 'note', payload: { text: line, mark: 'tasting' } }], understood: [line] };
  const bag = /^(?:bag|fruit|pulp) out\b\s*(.*)$/.exec(line);
  if (bag !== null) {
    const grams = readMassG(bag[1] ?? '', 'g', context.units);
    return { events: [{ kind: 'strain', payload: { massG: grams, share: 1 } }], understood: say`${massG(grams)} of pulp lifted out` };
  }
  const base = /^(?:added\s+)?(.*\d.*?)\s*potassium (carbonate|bicarbonate)$/.exec(line);
  if (base !== null) {
    const salt = base[2] === 'carbonate' ? 'carbonate' : 'bicarbonate';
    const grams = readMassG(base[1] ?? '', 'g', context.units);
    return { events: [{ kind: 'base', payload: { salt, massG: grams } }], understood: say`${massG(grams)} of ${BASE_SALTS[salt].name}` };
  }
  const verb = /^(fed|racked|lost|foamed over|sampled|sample)\b\s*(.*)$/.exec(line);
  const rest = verb?.[2] ?? '';
  if (verb?.[1] === 'fed') return readFed(rest, context);
  if (verb?.[1] === 'racked') {
    const liters = readVolume(rest, context);
    return { events: [{ kind: 'rack', payload: { volumeL: liters } }], understood: say`Racked; ${volumeL(liters)} in the new vessel` };
  }
  if (verb !== null) {
    const liters = readVolume(rest, context);
    const reason = verb[1] === 'foamed over' ? 'foam' : verb[1] === 'lost' ? 'spill' : 'sample';
    return { events: [{ kind: 'removal', payload: { volumeL: liters, reason } }], understood: say`${volumeL(liters)} lost` };
  }
  const measured = readMeasurements(line, context);
  if (measured !== null) return measured;
  const text = line.replace(/^note\s+/, '');
  return { events: [{ kind: 'note', payload: { text } }], understood: [`Note: “${text}”`] };
}

/**
 * Reads a maker's shorthand: `1.048 21c`, `8.2bx`, `1.012 float`, `ph 3.42 ta 6.1`, `so2 25`, `lees 12 mm`, `fed`, `fed 1.6 g organic`, `degassed`, `racked 4.2 l`, `lost 1.5 l`,
 * `smells of sulfur`, `tastes of rubber`, `yesterday 1.062`, `3 h ago fed`. What it cannot read becomes a note.
 *
 * @throws Refusal with a sentence (GravityRefusal with an offer) for what is said clearly but cannot be
 */
export function readDipLine(typed: string, context: DipContext): DipReading {
  const line = typed.trim().replace(/\s+/g, ' ');
  if (line === '') throw new Refusal('Nothing is typed yet; try “1.048 21c”, “fed” or “racked 4.2 l”.');
  const { at, rest } = takeTime(line.toLowerCase(), context);
  if (rest === '') throw new Refusal('That is a time without a happening; add one, such as “yesterday 1.062”.');
  const read = readWhat(rest, context);
  const note = read.events[0];
  if (note?.kind === 'note' && [undefined, 'tasting'].includes(note.payload.mark)) {
    const text = line.slice(line.length - note.payload.text.length);
    const named = note.payload.mark === 'tasting' ? 'Tasting' : 'Note';
    return { at, events: [{ kind: 'note', payload: { ...note.payload, text } }], understood: [`${named}: “${text}”`], doubts: [] };
  }
  const doubts = read.events.flatMap((event) => (event.kind === 'reading' ? doubtsAbout(context.ledger, event.payload, at) : []));
  return { at, ...read, doubts };
}

/**
 * Takes a batch's name off the front of the line: the words that begin exactly one name, as many as fit
 * (“linden 1.048” is clear while only one batch begins with linden).
 *
 * @returns the batch and the rest, null where no batch or more than one is meant
 */
export function takeBatchName<B extends { name: string }>(typed: string, batches: readonly B[]): { batch: B; rest: string } | null {
  const words = typed.trim().split(/\s+/);
  const plain = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N} ]/gu, '');
  for (let count = words.length; count > 0; count--) {
    const start = plain(words.slice(0, count).join(' '));
    if (start === '') continue;
    const meant = batches.filter((batch) => `${plain(batch.name)} `.startsWith(`${start} `));
    const [only] = meant;
    if (only !== undefined && meant.length === 1) return { batch: only, rest: words.slice(count).join(' ') };
    if (meant.length > 1) return null;
  }
  return null;
}
