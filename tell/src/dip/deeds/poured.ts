import { fedEvent, productName } from '@hollow-bell/core/nitrogen';
import { mixedOf } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { Refusal, massG, say, volumeL, weighedG } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import { findAmount, gramsOf, litersOf } from '../amount.ts';
import type { Amount } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { productsNamed } from '../products.ts';
import type { DipProduct } from '../products.ts';
import { entry, notYet } from './deed.ts';
import type { Again } from './deed.ts';

function readFedAsPlanned(context: DipContext, share = 1): Part {
  const { plannedDose } = context;
  if (plannedDose === null) throw new Refusal('No dose is planned now; say how much of what: “fed 1.6 g organic”.');
  const { dose } = plannedDose;
  const parts = plannedDose.parts.map((part) => ({ ...part, massG: weighedG(part.massG * share) }));
  const told: Sentence = parts.flatMap(({ product, massG: grams }, i) => [
    i === 0 ? ' ' : ' and ',
    massG(grams),
    ` ${productName(product)}`,
  ]);
  const events = parts.map((part) => fedEvent(part, dose));
  return { events, told: [share === 1 ? `Dose ${dose} given as planned:` : `Half of dose ${dose} given:`, ...told] };
}

export function readFed(rest: string, context: DipContext, again: Again): Part {
  if (rest === '' || /^(?:it|as planned|the dose|dose \d+)$/.test(rest)) return readFedAsPlanned(context);
  if (/^half(?: (?:of )?(?:it|the dose|dose \d+|as planned))?$/.test(rest)) return readFedAsPlanned(context, 0.5);
  const feeds = context.products.filter(({ kind }) => kind === 'nutrient' || kind === 'ingredient' || kind === 'base');
  return readPoured(rest, context, again, 'fed', feeds);
}

const lead = (verb: string): string => (verb === '' ? '' : `${verb} `);

/** “10 ml of a 10 % solution”: grams of what is dissolved in it, a gram in 100 ml for each percent. */
function gramsInSolution(words: string, liters: number): number | null {
  const strength = /(\d+(?:[.,]\d+)?)\s*%/.exec(words)?.[1];
  return strength === undefined ? null : liters * 10 * Number(strength.replace(',', '.'));
}

interface Weighed {
  grams: number;
  /** 10–90 % range, ± as a share of it, where it was counted and not weighed. */
  spread?: number;
}

/** Grams by the scale, or by what the product’s own spoon, packet, tablet, jug or piece holds; asked for where nobody knows. */
function weighed(amount: Amount, product: DipProduct, context: DipContext, again: Again, verb: string): Weighed {
  const line = candidate(again(`${lead(verb)} g ${product.name}`.replace(/^ /, ' ')), [`${product.name}, in grams`]);
  const wants = (what: string): never => {
    throw new DipAsk(`How many grams of ${product.name} ${what} holds is not known; weigh it.`, [line]);
  };
  const around = `${amount.before} ${amount.after}`;
  const isTablets = amount.of === 'bare' && /\b(?:tablets?|tabs?)\b/.test(around);
  const per = (g: number | null | undefined, what: string): Weighed =>
    g === null || g === undefined ? wants(what) : { grams: amount.count * g };
  switch (isTablets ? 'tablet' : amount.of) {
    case 'spoon':
      if (product.gPerTsp !== null) return { grams: gramsOf(amount.text, context, product.gPerTsp) };
      return product.kgPerL === null ? wants('a leveled teaspoon') : { grams: 1000 * litersOf(amount.text, context) * product.kgPerL };
    case 'packet':
      return per(product.gPerPacket, 'a packet');
    case 'tablet':
      return per(product.gPerTablet, 'a tablet');
    case 'piece':
      return wants(`“${amount.text}”`);
    case 'volume': {
      const liters = litersOf(amount.text, context);
      const dissolved = gramsInSolution(around, liters);
      if (dissolved !== null) return { grams: dissolved };
      if (product.kgPerL !== null) return { grams: 1000 * liters * product.kgPerL };
      if (product.kind === 'sulfite')
        throw new DipAsk(
          'How strong is the solution? Ten percent is 10 g in 100 ml.',
          [5, 10].map((pct) => candidate(again(`${lead(verb)}${amount.text} ${pct} % ${product.name}`))),
        );
      return wants(`“${amount.text}”`);
    }
    case 'bare': {
      if (product.pieceG !== undefined) {
        const { value, low, high } = product.pieceG;
        return { grams: amount.count * value, spread: (high - low) / 2 / value / Math.sqrt(Math.max(1, amount.count)) };
      }
      /** Powders are weighed in grams; of honey or fruit a bare number may be anything. */
      if (!['honey', 'ingredient'].includes(product.kind)) return { grams: gramsOf(amount.text, context) };
      const units = context.units === 'metric' ? ['g', 'kg'] : ['lb', 'oz'];
      throw new DipAsk(
        `${amount.text} of which unit?`,
        units.map((unit) => candidate(again(`${lead(verb)}${amount.text} ${unit} ${product.name}`))),
      );
    }
    default:
      return { grams: gramsOf(amount.text, context) };
  }
}

/** A nutrient goes to the dose that it belongs to. */
function withDose(content: EventContent, context: DipContext, at: number): EventContent {
  if (content.kind !== 'nutrient') return content;
  const dose = context.doseFor(content.payload, at);
  return dose === undefined ? content : { kind: 'nutrient', payload: { ...content.payload, dose } };
}

/** What was counted is known as well as its pieces are alike. */
function withSpread(content: EventContent, spread: number | undefined): EventContent {
  if (spread === undefined || content.kind !== 'ingredient') return content;
  const sugarSpread = Math.min(1, Math.hypot(content.payload.sugarSpread, spread));
  return { kind: 'ingredient', payload: { ...content.payload, sugarSpread } };
}

function pourOf(product: DipProduct, amount: Amount, context: DipContext, again: Again, verb: string): Part {
  const { grams, spread } = weighed(amount, product, context, again, verb);
  if (grams <= 0 || product.entry === null) throw new Refusal(`${amount.text} of ${product.name} is nothing to write down.`);
  const event = withSpread(withDose(product.entry(grams), context, context.now), spread);
  return spread === undefined ? entry(event) : { events: [event], told: say`${amount.text} ${product.name}, about ${massG(grams)}` };
}

/** “in a bag for 5 days”: it comes out again. */
const BAG = /\b(?:in|into) (?:a |the )?(?:mesh |straining )?bag(?: for (\d+) days?)?\b/;
export const withoutBag = (words: string): string => words.replace(BAG, '').trim();
/** Where nobody says how long (our estimate of what most do). */
const USUAL_BAG_DAYS = 7;
function inBag({ events = [], ...part }: Part, days: number): Part {
  const bagged = events.map((event): EventContent =>
    event.kind === 'ingredient' ? { kind: 'ingredient', payload: { ...event.payload, bagDays: days } } : event,
  );
  return { ...part, events: bagged };
}

const WATER = /^(?:the )?(?:boiled |warm |cold |hot |tap |spring |filtered )?water$/;

/** To a mark: what is missing to it by what is reckoned to be there. */
function toMark(rest: string, context: DipContext): number | null {
  const mark = /\b(?:up )?to (?:the )?(?=[\d.,])/.exec(rest);
  if (mark === null) return null;
  const amount = findAmount(rest.slice(mark.index + mark[0].length), context);
  if (amount === null || amount.of === 'mass') return null;
  const markL = litersOf(amount.text, context);
  const thereL = mixedOf(context.ledger)?.volumeL ?? 0;
  if (markL <= thereL + 0.005)
    throw new Refusal(
      say`There is ${volumeL(thereL)} in it by what is written down: it stands above a mark of ${volumeL(markL)} already.`,
      'volumeL',
    );
  return markL - thereL;
}

const COMPANION = /\b(?:from|out of|with) (?:the |its |my )?(?:companion|small|little|spare)(?: (?:jug|bottle|jar))?\b/;

export function readToppedUp(rest: string, context: DipContext, again: Again): Part {
  const missingL = toMark(rest, context);
  const amount = missingL === null ? findAmount(rest, context) : null;
  if (COMPANION.test(rest)) {
    if (missingL === null && amount === null)
      throw new DipAsk('How much went over?', [candidate(again('topped up  l from the companion'), 'from the companion, and how much')]);
    return entry({ kind: 'topUp', payload: { volumeL: missingL ?? litersOf(amount?.text ?? '', context) } });
  }
  if (missingL === null) return readPoured(rest, context, again, 'topped up', context.products);
  if (!/\bwater\b/.test(rest))
    throw new DipAsk(say`Topped up with what? ${volumeL(missingL)} is missing to that mark; water thins it.`, [
      candidate(again(`topped up ${rest} with water`), 'with water'),
    ]);
  return entry({ kind: 'water', payload: { volumeL: missingL } });
}

/** “200 g honey”, “honey 200 g”, “added 1 lb 6 oz of honey”, “topped up with 0.3 l water”, “2 oranges”, “juice of 3 lemons”. */
export function readPoured(words: string, context: DipContext, again: Again, verb: string, among: readonly DipProduct[]): Part {
  const bag = BAG.exec(words);
  if (bag === null) return readPlainly(words, context, again, verb, among);
  const part = readPlainly(withoutBag(words), context, again, verb, among);
  return inBag(part, Number(bag[1] ?? USUAL_BAG_DAYS));
}

const plainName = (words: string): string =>
  words
    .replace(/\b(?:with|of|some|more|the|a|an|stock|solution)\b/g, ' ')
    .replace(/\d+(?:[.,]\d+)?\s*%/, ' ')
    .replace(/ +/g, ' ')
    .trim();
/** What an amount is of, without its small words and its strength. */
export const nameBeside = ({ before, after }: Amount): string => plainName(`${before} ${after}`);

function readPlainly(rest: string, context: DipContext, again: Again, verb: string, among: readonly DipProduct[]): Part {
  const amount = findAmount(rest, context);
  const isPitch = /^pitch|^repitch/.test(verb);
  const named = amount === null ? plainName(rest) : nameBeside(amount);
  const lineOf = (name: string): string =>
    again(`${verb === '' || verb === 'topped up' ? '' : `${verb} `}${amount?.text ?? ''} ${name}`.trim());
  if (WATER.test(named) || (named === '' && verb === 'topped up')) {
    if (amount === null) throw new DipAsk('How much water?', [candidate(again('water '), 'water, and how much')]);
    if (named === '')
      throw new DipAsk('Topped up with what? Water thins it; like mead would be blended from its batch.', [
        candidate(again(`${amount.text} water`)),
        candidate(again(`topped up ${amount.text} from the companion`), 'from its companion jug'),
      ]);
    return entry({
      kind: 'water',
      payload: { volumeL: amount.of === 'mass' ? gramsOf(amount.text, context) / 1000 : litersOf(amount.text, context) },
    });
  }
  const yeasts = among.filter(({ kind }) => kind === 'yeast');
  const own = yeasts.filter(({ isOwn }) => isOwn);
  const [only] = own.length === 1 ? own : yeasts.filter(({ isPlanned }) => isPlanned);
  if (named === '' && isPitch && only !== undefined && amount !== null) return pourOf(only, amount, context, again, verb);
  if (named === '' && !/^sulfited/.test(verb)) {
    const likely = [
      ...new Map(
        among
          .filter(
            ({ kind, gPerTablet, gPerPacket }) =>
              (verb === 'fed' ? kind === 'nutrient' : !isPitch || kind === 'yeast') &&
              (amount?.of !== 'tablet' || gPerTablet !== undefined) &&
              (amount?.of !== 'packet' || gPerPacket !== undefined),
          )
          .map((product) => [product.name, product]),
      ).values(),
    ].slice(0, 6);
    throw new DipAsk(
      'Of what?',
      likely.map(({ name }) => candidate(lineOf(name), name)),
    );
  }
  if (/^(?:like |the same |own )?mead$/.test(named))
    throw new DipAsk(
      'Mead from where? Its companion jug is of this batch; another batch is poured in by “Pour in another” beside the log.',
      [candidate(again(`topped up ${amount?.text ?? ' l'} from the companion`), 'from its companion jug')],
    );
  const found = productsNamed(named === '' && /^sulfited/.test(verb) ? 'sulfite' : named, among);
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
