import type { CalibrationC } from '../liquid/index.ts';
import { fedEvent, productName } from '../feed/index.ts';
import type { Product } from '../feed/index.ts';
import { sgFromBrix } from '../liquid/index.ts';
import { BASE_SALTS, NUTRIENTS } from '../ledger/index.ts';
import type { EventContent, Mark, NutrientId } from '../ledger/index.ts';
import {
  Refusal,
  massG,
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

/** What the line needs to know about here and now; nothing is taken from a clock. */
export interface DipContext {
  now: number;
  /** Local midnight this many days ago, in ms since 1970 UTC. */
  midnightDaysAgo: (days: number) => number;
  units: UnitSystem;
  tempUnit: TempUnit;
  calibrationC: CalibrationC;
  pitched: boolean;
  /** What “fed” alone means now: the dose that the plan wants. */
  plannedDose: { dose: number; parts: { product: Product; massG: number }[] } | null;
}

export interface DipReading {
  at: number;
  events: EventContent[];
  understood: Sentence;
}

const HOUR_MS = 3_600_000;
const MARK_WORDS: [RegExp, Mark, string][] = [
  [/^(degassed|degas)$/, 'degassed', 'Degassed'],
  [/^(stirred|roused)$/, 'stirred', 'Stirred'],
  [/^(clear|cleared)$/, 'clear', 'Clear'],
  [/^(hazy|cloudy)$/, 'hazy', 'Hazy'],
  [/^(smells? of )?(sulfur|sulphur|rotten eggs?)$/, 'sulfur', 'Smells of sulfur'],
];

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

/** Takes a time off the front: “yesterday 18:40”, “today 8:10”, “3 h ago”, “2 days ago”, “18:40”. */
function takeTime(line: string, context: DipContext): { at: number; rest: string } {
  const ago = /^(\d+(?:[.,]\d+)?)\s*(h|hours?|d|days?)\s+ago\b\s*/.exec(line);
  if (ago !== null) {
    const amount = readNumber(ago[1] ?? '0').value;
    return { at: context.now - amount * ((ago[2] ?? 'h').startsWith('h') ? 1 : 24) * HOUR_MS, rest: line.slice(ago[0].length) };
  }
  const day = /^(yesterday|today)\b\s*/.exec(line);
  const afterDay = line.slice(day?.[0].length ?? 0);
  const clock = /^(\d{1,2}):(\d{2})\b\s*/.exec(afterDay);
  if (clock !== null) {
    const hour = requireWithin('The hour', Number(clock[1]), 0, 23);
    const minute = requireWithin('The minute', Number(clock[2]), 0, 59);
    const midnight = context.midnightDaysAgo(day?.[1] === 'yesterday' ? 1 : 0);
    return { at: midnight + (hour * 60 + minute) * 60_000, rest: afterDay.slice(clock[0].length) };
  }
  return { at: day?.[1] === 'yesterday' ? context.now - 24 * HOUR_MS : context.now, rest: afterDay };
}

function readVolume(typed: string, context: DipContext): number {
  return readVolumeL(typed, context.units === 'metric' ? 'l' : context.units === 'us' ? 'us_gal' : 'uk_gal', context.units);
}

function readFed(rest: string, context: DipContext): Omit<DipReading, 'at'> {
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

/** One measurement word: a gravity, °Brix, a pH or a temperature. */
function readMeasurements(line: string, context: DipContext): Omit<DipReading, 'at'> | null {
  const tokens = line
    .replace(/\bph\s*(?=\d)/g, 'ph')
    .replace(/(\d)\s+(°?[cf]|bx|brix)\b/g, '$1$2')
    .split(/\s+/);
  if (!tokens.every((token) => /^(ph)?[\d.,]+(°?[cf]|bx|brix)?$/.test(token))) return null;
  const payload: { sg?: number; tempC?: number; calibrationC?: CalibrationC; ph?: number } = {};
  const understood: (string | Sentence[number])[] = [];
  for (const token of tokens) {
    if (understood.length > 0) understood.push(', ');
    if (token.startsWith('ph')) {
      payload.ph = requireWithin('The pH', readNumber(token.slice(2)).value, 2.5, 5);
      understood.push('pH ', phValue(payload.ph));
    } else if (/(bx|brix)$/.test(token)) {
      if (context.pitched) throw new Refusal('Alcohol fools a refractometer once the yeast is in; read a hydrometer, such as “1.048 21c”.');
      payload.sg = sgFromBrix(readNumber(token.replace(/(bx|brix)$/, '')).value);
      understood.push('Gravity ', { kind: 'sg', value: payload.sg }, ' from Brix');
    } else if (/[cf]$/.test(token)) {
      payload.tempC = readSampleTempC(token, context.tempUnit, context.units);
      understood.push('at ', tempC(payload.tempC));
    } else {
      payload.sg = readSg(token);
      payload.calibrationC = context.calibrationC;
      understood.push('Gravity ', { kind: 'sg', value: payload.sg });
    }
  }
  return { events: [{ kind: 'reading', payload }], understood };
}

function readWhat(line: string, context: DipContext): Omit<DipReading, 'at'> {
  for (const [pattern, mark, text] of MARK_WORDS) {
    if (pattern.test(line)) return { events: [{ kind: 'note', payload: { text, mark } }], understood: [text] };
  }
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
 * Reads a maker's shorthand: `1.048 21c`, `ph 3.42`, `fed`, `fed 1.6 g organic`, `degassed`, `racked 4.2 l`, `lost 1.5 l`,
 * `smells of sulfur`, `yesterday 1.062`, `3 h ago fed`. What it cannot read becomes a note.
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
  if (note?.kind === 'note' && note.payload.mark === undefined) {
    const text = line.slice(line.length - note.payload.text.length);
    return { at, events: [{ kind: 'note', payload: { text } }], understood: [`Note: “${text}”`] };
  }
  return { at, ...read };
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
