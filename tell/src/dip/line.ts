import { entryDoubts, thinning } from '@hollow-bell/core/check';
import { eventSentence, gravityRead, makeReading } from '@hollow-bell/core/record';
import type { EventContent, Seen } from '@hollow-bell/core/record';
import { Refusal, TypedRefusal, gravity, say, tempC, tidied, volumeL } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import { findAmount, holdsNumber } from './amount.ts';
import { DipAsk, candidate } from './ask.ts';
import type { DipContext, DipReading, Part } from './context.ts';
import { holdsDeed, readDeed } from './deeds/index.ts';
import { nameBeside, readPoured, withoutBag } from './deeds/poured.ts';
import { rackedAlso } from './deeds/vessels.ts';
import { readMeasurements } from './measurements.ts';
import { productsNamed } from './products.ts';
import { holdsSense, readSenses } from './senses.ts';
import { takeTime } from './time.ts';

const EMPTY = 'Nothing is typed here yet; try “1.048 21c”, “fed” or “racked 4.2 l”.';
/** Where one thing that happened ends and the next begins. A comma between digits is none. */
const BETWEEN = /\s*(?:[;+&]|,(?=\s)|\band\b|\bthen\b)\s*/;

/** “pH” keeps its small letter. */
const capitalized = ([first, ...rest]: Sentence): Sentence =>
  typeof first === 'string'
    ? [first.startsWith('pH') ? first : first.slice(0, 1).toUpperCase() + first.slice(1), ...rest]
    : first === undefined
      ? []
      : [first, ...rest];

/** What a scale shows; less is not told. */
const WORTH_SAYING_SG = 0.0005;

/** A reading in words, with what a refractometer means by it. */
function readingTold(seen: Seen, context: DipContext): { event: EventContent; told: Sentence } {
  const payload = makeReading(seen, context.instruments);
  const event = { kind: 'reading', payload } as const;
  const behind = gravityRead(context.ledger, payload);
  const is: Sentence =
    behind === null
      ? []
      : payload.brix !== undefined
        ? say`: ${gravity(behind.sg)} ± ${gravity(behind.plusMinus)}`
        : Math.abs(behind.sg - (payload.sg ?? behind.sg)) >= WORTH_SAYING_SG
          ? say`: ${gravity(behind.sg)} at ${tempC(20)}`
          : [];
  const of: Sentence = payload.sg === undefined ? [] : ['gravity '];
  return { event, told: [...of, ...told(event), ...is] };
}

/** What an entry will say, and of water what it does. */
function toldOf(content: EventContent, context: DipContext): Sentence {
  const does = content.kind === 'water' ? thinning(context.ledger, content.payload.volumeL, context.now) : null;
  return does === null ? told(content) : [...told(content), ': ', ...does];
}
const told = (content: EventContent): Sentence => eventSentence(content);

/** An amount that may mean several is asked about as lines. */
function asLines(words: string, again: (line: string) => string, by: DipContext, read: () => Part | null): Part | null {
  try {
    return read();
  } catch (error) {
    const amount = findAmount(words, by);
    if (!(error instanceof TypedRefusal) || error.offers.length === 0 || amount === null) throw error;
    const unitOf = (said: Sentence): string => (said.some((part) => typeof part !== 'string' && part.kind === 'massG') ? 'g' : 'l');
    throw new DipAsk(
      error.said,
      error.offers.map(({ value, said }) =>
        candidate(again([amount.before, `${Number(value.toFixed(4))} ${unitOf(said)}`, amount.after].filter(Boolean).join(' ')), said),
      ),
    );
  }
}

/** What stands behind its amount: “4.2 l racked”, “a bottle burst”. */
function turned(words: string): string {
  const burst = /^(an?|one|two|three|four|five|six|\d+) bottles? (?:burst|broke|broken|exploded)$/.exec(words);
  if (burst !== null) return `broke ${burst[1] ?? 'one'}`;
  const last = /^(.*\d.*) (racked|fed|lost|spilled|sampled|bottled|pitched|added|foamed over)$/.exec(words);
  return last === null ? words : `${last[2] ?? ''} ${last[1] ?? ''}`;
}

/** Measurements with what was seen or done behind them: “1.048 20c foaming”. Null where it is not both. */
function readParted(words: string, context: DipContext, again: (line: string) => string): Part | null {
  for (const space of words.matchAll(/ (?=[a-z]{3})/g)) {
    const [first, then] = [words.slice(0, space.index), words.slice(space.index + 1)];
    if (!/\d/.test(first) || /\d/.test(then)) continue;
    const sensed = readSenses(then, again);
    const seen = sensed === null ? null : readMeasurements(first, context, again);
    if (sensed !== null && seen !== null) return { seen, events: [sensed] };
  }
  return null;
}

/** One part of a line: a deed, measurements, senses, or an amount of something. Null where it is none of these. */
function readPart(words: string, context: DipContext, again: (line: string) => string, verb: string | null): Part | null {
  const deed = readDeed(turned(words), context, again);
  if (deed !== null) return deed;
  const seen = readMeasurements(words, context, again);
  if (seen !== null) return { seen };
  const sensed = readSenses(words, again);
  if (sensed !== null) return { events: [sensed] };
  const amount = findAmount(withoutBag(words), context);
  /** “0.8 g dap” behind “fed 3 g organic” was fed too. */
  if (verb === 'fed' && amount !== null) return readDeed(`fed ${words}`, context, again);
  const isNamed = amount !== null && `${amount.before}${amount.after}` !== '';
  const parted = readParted(words, context, again);
  if (parted !== null) return parted;
  if (amount?.of === 'tablet' || amount?.of === 'packet') return readPoured(words, context, again, '', context.products);
  const isThing = isNamed && (/\bwater\b/.test(words) || productsNamed(nameBeside(amount), context.products).length > 0);
  return isThing ? readPoured(words, context, again, '', context.products) : null;
}

/** What left, whose amount may stand behind a comma. */
const AWAITS_AMOUNT =
  /^(?:racked$|bags? out|fruit out|pulp out|took|lifted|strained|overflowed|erupted|foam(?:ed)?[ -]over|lost|spilled|spilt|sampled|drank|dumped)\b/;

/** What only goes on with the part before it: “racked to the 5 l jug, 4.2 l”, “sampled 0.1 l and poured it back”. */
function joined(segments: readonly string[]): string[] {
  const whole: string[] = [];
  for (const words of segments) {
    const before = whole.at(-1) ?? '';
    const isBack = /^(?:sampled|sample|took)\b/.test(before) && /^(?:(?:put|poured|tipped|gave) (?:it )?back|returned)$/.test(words);
    const isAmount = /^(?:about |some |roughly |maybe )?[\d.,/½¼¾-]+(?: to [\d.,]+)?\s*[a-z][a-z ]*$/.test(words);
    const isRacked = isAmount && /^racked (?:in)?to [^,]*$/.test(before);
    /** “bag out, 800 g”, “overflowed, about 1 l”: how much it was. */
    const isHowMuch = isAmount && !isRacked && !/\d/.test(before) && AWAITS_AMOUNT.test(before);
    const isAlsoBottled = /^bottled\b/.test(before) && /^\d+\s*(?:x|×|bottles? of)\s*\S/.test(words);
    if (isRacked) whole[whole.length - 1] = before.replace(/^racked/, `racked ${words}`);
    else if (isAlsoBottled) whole[whole.length - 1] = `${before} + ${words}`;
    else if (isBack || isHowMuch) whole[whole.length - 1] = `${before} ${words}`;
    else whole.push(words);
  }
  return whole;
}

/** A whole line from what stands in it beside its time. */
type Around = (words: string) => string;

function readParts(rest: string, context: DipContext, around: Around): { parts: Part[]; lost: string | null } {
  const segments = joined(rest.split(BETWEEN).filter((segment) => segment !== ''));
  const parts: Part[] = [];
  let verb: string | null = null;
  for (const [i, words] of segments.entries()) {
    const again = (line: string): string => around([...segments.slice(0, i), line, ...segments.slice(i + 1)].join(', '));
    const also = parts.at(-1) === undefined ? null : rackedAlso(parts.at(-1) ?? {}, words, context);
    if (also !== null) {
      parts[parts.length - 1] = also;
      continue;
    }
    const verbBefore = verb;
    const part = asLines(words, again, context, () => readPart(words, context, again, verbBefore));
    if (part === null) return { parts, lost: words };
    verb = /^fed\b/.test(words) ? 'fed' : part.events === undefined ? null : verb;
    parts.push(part);
  }
  return { parts, lost: null };
}

/** All that was read belongs to one reading; two gravities are asked about. */
function joinSeen(parts: readonly Part[], around: Around): Seen | null {
  const all = parts.flatMap(({ seen }) => (seen === undefined ? [] : [seen]));
  const [first] = all;
  if (first === undefined) return null;
  const gravities = all.flatMap(({ sg }) => (sg === undefined ? [] : [sg]));
  if (gravities.length > 1)
    throw new DipAsk(
      'Two gravities at once: which is it?',
      gravities.map((sg) => candidate(around(sg.toFixed(3)), say`${gravity(sg)}`)),
    );
  return Object.assign({}, ...all) as Seen;
}

const NOTED = { tasting: 'Tasting', 'next time': 'Next time' } as const;
const note = (typed: string, at: number, mark?: keyof typeof NOTED): DipReading => ({
  at,
  events: [{ kind: 'note', payload: mark === undefined ? { text: typed } : { text: typed, mark } }],
  splits: [],
  understood: [`${mark === undefined ? 'Note' : NOTED[mark]}: “${typed}”`],
  doubts: [],
});

/**
 * Reads a maker's shorthand: `1.048 21c`, `8.2bx`, `1.012 float`, `ph 3.42 ta 6.1`, `lees 12 mm`, `fed`, `fed 3 g organic + 0.8 g dap`,
 * `honey 200 g`, `racked 4.2 l`, `smells of eggs`, `yesterday 18:40 1.062`, `note rain`, `next time: colder`. A line with a number or a deed in it is
 * understood, or asked about; only one that begins with `note`, or holds neither, is a note.
 *
 * @throws DipAsk with likelier lines to press, Refusal with a sentence for what is said clearly but cannot be
 */
export function readDipLine(typed: string, context: DipContext): DipReading {
  const original = typed.trim().replace(/\s+/g, ' ');
  const line = tidied(original);
  if (line === '') throw new Refusal(EMPTY);
  const noted = /^note\b[:\s]*/i.exec(original);
  if (noted !== null) {
    const text = original.slice(noted[0].length);
    if (text === '') throw new Refusal('A note of nothing; write what is to be remembered behind it.');
    return note(text, context.now);
  }
  const next = /^next time\b[:,\s]*(?=\S)/i.exec(original);
  if (next !== null) return note(original.slice(next[0].length), context.now, 'next time');
  const { at, rest } = takeTime(line.replace(/\bw\/\s*/g, 'with '), context.now, context.locale);
  if (rest === '') throw new Refusal('That is a time without a happening; add one, such as “yesterday 1.062”.');
  const start = line.indexOf(rest);
  const around: Around = (words) => (start < 0 ? words : `${line.slice(0, start)}${words}${line.slice(start + rest.length)}`);
  const then = { ...context, now: at };
  const tasting = /^tast(?:es?|ed|ing)\b:?\s*(?!with\b)(?=\S)/.exec(rest);
  if (tasting !== null && !/\d/.test(rest)) return note(original.slice(original.length - rest.length), at, 'tasting');

  const { parts, lost } = readParts(rest, then, around);
  if (lost !== null) {
    if (parts.length === 0 && !holdsNumber(rest) && !holdsDeed(rest) && !holdsSense(rest))
      return note(original.slice(original.length - rest.length), at);
    throw new DipAsk(`I do not understand “${lost}”. Say it in other words, or keep the line as a note.`, [
      candidate(`note ${original}`, 'keep it as a note'),
    ]);
  }
  const splits = parts.flatMap((part) => part.splits ?? []);
  const seen = joinSeen(parts, around);
  const reading = seen === null ? null : readingTold(seen, context);
  const events = [...(reading === null ? [] : [reading.event]), ...parts.flatMap((part) => part.events ?? [])];
  const sentences = [
    ...(reading === null ? [] : [reading.told]),
    ...parts.flatMap((part) => (part.told !== undefined ? [part.told] : (part.events ?? []).map((event) => toldOf(event, then)))),
    ...splits.map(({ volumeL: liters, vessel }) => say`${volumeL(liters)} split off into the ${vessel.name}`),
  ];
  const understood = capitalized(sentences.flatMap((sentence, i) => (i === 0 ? sentence : [', ', ...sentence])));
  if (splits.length > 0 && events.length > 0) throw new DipAsk('A split is written by itself; write the rest before or after it.', []);
  return {
    at,
    events,
    splits,
    understood,
    doubts: events.flatMap((event) => entryDoubts(context.ledger, event, at, context.rules, events)),
  };
}
