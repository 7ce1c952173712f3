import { BOTTLE_SIZES_ML } from '@hollow-bell/core/bottle';
import { fedEvent, productName } from '@hollow-bell/core/nitrogen';
import { drippingG } from '@hollow-bell/core/ingredients';
import type { EventContent, RemovalReason } from '@hollow-bell/core/record';
import { Refusal, massG, say, tempC } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import { findAmount, findTempC, gramsOf, litersOf } from './amount.ts';
import type { Amount } from './amount.ts';
import { DipAsk, candidate } from './ask.ts';
import type { DipContext, Part } from './context.ts';
import { productsNamed } from './products.ts';
import type { DipProduct } from './products.ts';

type Again = (line: string) => string;
interface Deed {
  pattern: RegExp;
  read: (rest: string, context: DipContext, again: Again, verb: string) => Part;
}

const entry = (...events: EventContent[]): Part => ({ events });

/** What this program has no entry for yet: it is said so, and may stand as a note. */
const notYet = (what: string, words: string, again: Again): never => {
  throw new DipAsk(`${what} has no entry of its own here yet; it may stand as a note.`, [candidate(again(`note ${words}`))]);
};

/** “the 5 l jug”: a vessel that is called so; its number is no amount. */
function withoutVessel(words: string, vessels: readonly string[]): { words: string; vessel: string | null } {
  const found = [...vessels].sort((a, b) => b.length - a.length).find((name) => words.includes(name.toLowerCase()));
  const into =
    found === undefined
      ? null
      : new RegExp(`\\b(?:in)?to (?:the |a |my )?${found.toLowerCase().replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`).exec(words)?.[0];
  return found === undefined || into === null || into === undefined
    ? { words, vessel: null }
    : { words: words.replace(into, '').trim(), vessel: found };
}

function readRacked(rest: string, context: DipContext, again: Again): Part {
  const { words, vessel } = withoutVessel(rest, context.vessels);
  const amount = findAmount(words, context);
  if (amount === null)
    throw new DipAsk('How much stands in the new vessel? Write it, such as “racked 4.2 l”.', [
      candidate(again('racked '), 'racked, and how much'),
    ]);
  const liters = litersOf(amount.text, context);
  const rack: EventContent = { kind: 'rack', payload: { volumeL: liters } };
  if (vessel !== null || /\b(?:to|into)\b/.test(`${amount.before} ${amount.after}`))
    throw new DipAsk(`Into which vessel it went has no entry of its own here yet; the racking can be written without it.`, [
      candidate(again(`racked ${amount.text}`)),
    ]);
  if (amount.after !== '' && !/^(?:off|left|now|over|from)\b/.test(amount.after))
    throw new DipAsk(`“${amount.after}” is one too many here.`, [candidate(again(`racked ${amount.text}`))]);
  return entry(rack);
}

function readLost(rest: string, context: DipContext, again: Again, verb: string): Part {
  const isFoam = /foam/.test(verb) || /\bfoam/.test(rest);
  const reason: RemovalReason = /^sampl|^took/.test(verb) ? 'sample' : isFoam ? 'foam' : /\blees\b/.test(rest) ? 'lees' : 'spill';
  const amount = findAmount(rest, context);
  const line = reason === 'sample' ? 'sampled' : reason === 'foam' ? 'foamed over' : 'lost';
  if (amount === null)
    throw new DipAsk('About how much went? A mug holds 0.3 L, a hand’s breadth of a jug about a liter.', [
      candidate(again(`${line} `), `${line}, and how much`),
    ]);
  if (/\b(?:back|returned|put back)\b/.test(rest)) return notYet('A sample that went back', `${verb} ${rest}`, again);
  return entry({ kind: 'removal', payload: { volumeL: litersOf(amount.text, context), reason } });
}

function readBottled(rest: string, context: DipContext, again: Again): Part {
  const times = /^(\d+)\s*(?:x|×|bottles? of|of|by)\s*(.+)$/.exec(rest);
  if (times !== null) {
    const liters = litersOf((times[2] ?? '').replace(/\s*(?:bottles?|each).*$/, ''), context);
    return entry({ kind: 'bottling', payload: { bottles: [{ sizeMl: Math.round(liters * 1e6) / 1e3, count: Number(times[1]) }] } });
  }
  const count = /^(\d+)(?:\s+bottles?)?$/.exec(rest)?.[1];
  const sizes = BOTTLE_SIZES_ML.map((ml) => candidate(again(`bottled ${count ?? 6} x ${ml} ml`)));
  throw new DipAsk(count === undefined ? 'How many bottles, of which size?' : `${count} bottles of which size?`, sizes);
}

function readBag(rest: string, context: DipContext, again: Again): Part {
  const amount = findAmount(rest, context);
  if (amount === null) {
    const about = Math.round(drippingG(context.ledger.liquid.insolubleG));
    throw new DipAsk('What did it weigh, dripping? That much went out with it.', [
      candidate(again(`bag out ${about} g`), say`about ${massG(about)}, by what was in it`),
    ]);
  }
  return entry({ kind: 'strain', payload: { massG: gramsOf(amount.text, context), share: 1 } });
}

function readWarmed(rest: string, context: DipContext, again: Again, verb: string): Part {
  const toC = findTempC(rest, context);
  const cure = /^cool|^chill/.test(verb) ? 'cool' : 'warm';
  if (toC === null || toC < 0 || toC > 40)
    throw new DipAsk(say`To which temperature? Between ${tempC(0)} and ${tempC(40)}, such as “warmed to 22c” or “warmed to 72f”.`, [
      candidate(again(`${verb} to `), `${verb} to …`),
    ]);
  return entry({ kind: 'cure', payload: { cure, toC } });
}

function readFedAsPlanned(context: DipContext): Part {
  const { plannedDose } = context;
  if (plannedDose === null) throw new Refusal('No dose is planned now; say how much of what: “fed 1.6 g organic”.');
  const { dose, parts } = plannedDose;
  const told: Sentence = parts.flatMap(({ product, massG: grams }, i) => [
    i === 0 ? ' ' : ' and ',
    massG(grams),
    ` ${productName(product)}`,
  ]);
  const events = parts.map((part) => fedEvent(part, dose));
  return { events, told: [`Dose ${dose} given as planned:`, ...told] };
}

function readFed(rest: string, context: DipContext, again: Again): Part {
  if (rest === '' || /^(?:it|as planned|the dose|dose \d+)$/.test(rest)) return readFedAsPlanned(context);
  return readPoured(
    rest,
    context,
    again,
    'fed',
    context.products.filter(({ kind }) => kind === 'nutrient' || kind === 'other'),
  );
}

/** Grams by what the product’s own spoon, packet or tablet holds; asked for where nobody knows. */
function gramsBy(amount: Amount, product: DipProduct, context: DipContext, again: Again, verb: string): number {
  const line = candidate(again(`${verb === '' ? '' : `${verb} `} g ${product.name}`.trim()), [`${product.name}, in grams`]);
  const wants = (what: string): never => {
    throw new DipAsk(`How many grams of ${product.name} ${what} holds is not known; weigh it.`, [line]);
  };
  const isTablets = amount.of === 'bare' && /\b(?:tablets?|tabs?)\b/.test(`${amount.before} ${amount.after}`);
  switch (isTablets ? 'tablet' : amount.of) {
    case 'spoon':
      return product.gPerTsp === null ? wants('a leveled teaspoon') : gramsOf(amount.text, context, product.gPerTsp);
    case 'packet':
      return product.gPerPacket === undefined ? wants('a packet') : amount.count * product.gPerPacket;
    case 'tablet':
      return product.gPerTablet === undefined ? wants('a tablet') : amount.count * product.gPerTablet;
    case 'piece':
      return wants(`“${amount.text}”`);
    case 'volume':
      throw new DipAsk(`${amount.text} of ${product.name}: by its volume it has no entry here yet; weigh it.`, [line]);
    case 'bare': {
      /** Powders are weighed in grams; of honey or fruit a bare number may be anything. */
      if (!['honey', 'ingredient'].includes(product.kind)) return gramsOf(amount.text, context);
      const units = context.units === 'metric' ? ['g', 'kg'] : ['lb', 'oz'];
      throw new DipAsk(
        `${amount.text} of which unit?`,
        units.map((unit) => candidate(again(`${verb === '' ? '' : `${verb} `}${amount.text} ${unit} ${product.name}`))),
      );
    }
    default:
      return gramsOf(amount.text, context);
  }
}

/** A nutrient goes to the dose that it belongs to. */
function withDose(content: EventContent, context: DipContext, at: number): EventContent {
  if (content.kind !== 'nutrient') return content;
  const dose = context.doseFor(content.payload, at);
  return dose === undefined ? content : { kind: 'nutrient', payload: { ...content.payload, dose } };
}

/** “200 g honey”, “honey 200 g”, “added 1 lb 6 oz of honey”, “topped up with 0.3 l water”. */
export function readPoured(rest: string, context: DipContext, again: Again, verb: string, among: readonly DipProduct[]): Part {
  const amount = findAmount(rest, context);
  const isPitch = /^pitch/.test(verb);
  const named = (amount === null ? rest : `${amount.before} ${amount.after}`)
    .replace(/\b(?:with|of|some|more)\b/g, ' ')
    .replace(/ +/g, ' ')
    .trim();
  const lineOf = (name: string): string =>
    again(`${verb === '' || verb === 'topped up' ? '' : `${verb} `}${amount?.text ?? ''} ${name}`.trim());
  if (/^(?:the )?(?:boiled |warm |cold |tap |spring )?water$/.test(named) || (named === '' && verb === 'topped up')) {
    if (amount === null) throw new DipAsk('How much water?', [candidate(again('water '), 'water, and how much')]);
    if (named === '')
      throw new DipAsk('Topped up with what? Water thins it; like mead would be blended from its batch.', [
        candidate(again(`${amount.text} water`)),
      ]);
    return entry({ kind: 'water', payload: { volumeL: litersOf(amount.text, context) } });
  }
  const yeasts = among.filter(({ kind }) => kind === 'yeast');
  if (named === '' && isPitch && yeasts.length === 1 && amount !== null && yeasts[0] !== undefined)
    return pourOf(yeasts[0], amount, context, again, verb);
  if (named === '') {
    const likely = [
      ...new Map(
        among
          .filter(({ kind }) => (verb === 'fed' ? kind === 'nutrient' : !isPitch || kind === 'yeast'))
          .map((product) => [product.name, product]),
      ).values(),
    ].slice(0, 6);
    throw new DipAsk(
      'Of what?',
      likely.map(({ name }) => candidate(lineOf(name), name)),
    );
  }
  const found = productsNamed(named, among);
  const [product] = found;
  if (product === undefined)
    throw new DipAsk(`I do not know “${named}”; name it as it stands on the Shelf or in the table.`, [
      candidate(again(`note ${verb} ${rest}`.replace(/ +/g, ' ')), 'leave it as a note'),
    ]);
  if (found.length > 1)
    throw new DipAsk(
      `Which ${named}?`,
      found.slice(0, 8).map(({ name }) => candidate(lineOf(name), name)),
    );
  if (product.entry === null) return notYet(product.name.charAt(0).toUpperCase() + product.name.slice(1), `${verb} ${rest}`.trim(), again);
  if (amount === null)
    throw new DipAsk(`How much ${product.name}?`, [
      candidate(again(`${verb} ${product.name} `.trimStart()), `${product.name}, and how much`),
    ]);
  return pourOf(product, amount, context, again, verb);
}

function pourOf(product: DipProduct, amount: Amount, context: DipContext, again: Again, verb: string): Part {
  const grams = gramsBy(amount, product, context, again, verb);
  if (grams <= 0 || product.entry === null) throw new Refusal(`${amount.text} of ${product.name} is nothing to write down.`);
  return entry(withDose(product.entry(grams), context, context.now));
}

const poured = (pattern: RegExp): Deed => ({
  pattern,
  read: (rest, context, again, verb) => readPoured(rest, context, again, verb, context.products),
});
const unknown = (pattern: RegExp, what: string): Deed => ({
  pattern,
  read: (rest, _context, again, verb) => notYet(what, `${verb} ${rest}`.trim(), again),
});

/** Deeds by their first word. */
const DEEDS: readonly Deed[] = [
  { pattern: /^(fed|feed|feeding)\b/, read: readFed },
  { pattern: /^(racked|rack|siphoned)\b/, read: readRacked },
  { pattern: /^(foamed over|foam-over|foam over|overflowed|erupted|lost|spilled|spilt|sampled|sample|took a sample)\b/, read: readLost },
  { pattern: /^(bottled)\b/, read: readBottled },
  { pattern: /^(bag out|bags out|fruit out|pulp out|took (?:out )?the (?:bag|fruit)(?: out)?|strained)\b/, read: readBag },
  { pattern: /^(warmed|warm|cooled|cool|chilled)\b/, read: readWarmed },
  poured(/^(topped up|topped off|top up|topped)\b/),
  poured(/^(added|add|poured|put in|stirred in|sweetened(?: with)?|gave|dosed|sulfited(?: with)?|pitched|pitch|dissolved)\b/),
  unknown(/^(split)\b/, 'A split'),
  unknown(/^(blended|blend)\b/, 'A blend by the line'),
  unknown(/^(heated|heat|pasteurized|pasteurised|pasteurize|boiled)\b/, 'Heating'),
  unknown(/^(moved|carried|put)\b/, 'A move'),
  unknown(/^(opened|drank|tapped)\b/, 'An opened bottle'),
  unknown(/^(fined|filtered|primed|corked|labeled|labelled|discarded|dumped)\b/, 'That'),
];

/** Reads a part of a line by the deed it begins with; null where it begins with none. */
export function readDeed(words: string, context: DipContext, again: Again): Part | null {
  if (/^gave (?:(?:one|two|three|\d+|a|some)(?: bottles?)?(?: away| to\b|$)|away)/.test(words))
    return notYet('A bottle given away', words, again);
  for (const { pattern, read } of DEEDS) {
    const match = pattern.exec(words);
    if (match === null) continue;
    const verb = /^top/.test(match[1] ?? '') ? 'topped up' : (match[1] ?? '');
    return read(words.slice(match[0].length).trim(), context, again, verb);
  }
  return null;
}

const ANYWHERE =
  /\b(?:fed|racked|siphoned|foamed over|lost|spilled|spilt|sampled|bottled|topped up|added|poured|pitched|stirred in|sweetened|sulfited|split|blended|heated|pasteuri[sz]ed|warmed|cooled|chilled|moved|opened|fined|filtered|primed|strained|discarded)\b/;

/** A deed stands in it: such a line is never a mere note. */
export const holdsDeed = (words: string): boolean => ANYWHERE.test(words);
