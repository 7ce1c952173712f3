import { mixedOf } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { smallestHolding } from '@hollow-bell/core/vessel';
import type { Vessel, VesselKind } from '@hollow-bell/core/vessel';
import { findAmount, litersOf } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { countOf, entry } from './deed.ts';
import type { Again } from './deed.ts';

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const INTO = '\\b(?:in)?to (?:the |a |an |my )?';

const KINDS: readonly (readonly [RegExp, VesselKind])[] = [
  [/^(?:jugs?|jars?|demijohns?|bottles?)$/, 'jug'],
  [/^(?:carboys?|balloons?)$/, 'carboy'],
  [/^(?:buckets?|pails?)$/, 'bucket'],
  [/^(?:kegs?)$/, 'keg'],
];

interface Found {
  /** The words without it. */
  words: string;
  vessel: Vessel | null;
}

/** “to the 5 l jug”: one that is called so, or a new one that its words describe; its number is no amount. */
function takeVessel(words: string, context: DipContext): Found {
  const byLength = context.vessels.toSorted((a, b) => b.name.length - a.name.length);
  for (const vessel of byLength) {
    const into = new RegExp(`${INTO}${escaped(vessel.name.toLowerCase())}\\b`).exec(words);
    if (into !== null) return { words: words.replace(into[0], '').trim(), vessel };
  }
  const described = new RegExp(
    `${INTO}(?:new |other |second |small |big )?([\\d.,]+\\s*[a-z .]+?)[\\s-]*(jug|jar|demijohn|carboy|balloon|bucket|pail|keg|bottle)\\b`,
  ).exec(words);
  if (described === null) return { words, vessel: null };
  const kind = KINDS.find(([pattern]) => pattern.test(described[2] ?? ''))?.[1] ?? 'jug';
  const size = (described[1] ?? '').trim();
  return {
    words: words.replace(described[0], '').trim(),
    vessel: { kind, name: `${size} ${described[2] ?? ''}`, capacityL: litersOf(size, context) },
  };
}

const rackedInto = (volumeL: number, vessel: Vessel | null): EventContent => ({
  kind: 'rack',
  payload: { volumeL, ...(vessel === null ? {} : { into: [{ vessel, volumeL }] }) },
});

const THROUGH_CLOTH = /\b(?:through|with) (?:a |the )?(?:filter )?(?:cloth|bag|muslin|sieve)\b/;

export function readRacked(rest: string, context: DipContext, again: Again): Part {
  const cloth = THROUGH_CLOTH.test(rest);
  const { words, vessel } = takeVessel(rest.replace(THROUGH_CLOTH, '').trim(), context);
  const amount = findAmount(words, context);
  const where = vessel === null ? '' : ` to the ${vessel.name.toLowerCase()}`;
  if (amount === null)
    throw new DipAsk('How much stands in the new vessel? Write it, such as “racked 4.2 l”.', [
      candidate(again(`racked  l${where}`), 'racked, and how much'),
    ]);
  const volumeL = litersOf(amount.text, context);
  const said = `${amount.before} ${amount.after}`;
  if (vessel === null && /\b(?:to|into)\b/.test(said))
    throw new DipAsk(
      'No vessel is called like that; name one of the Shelf, or say how large it is, such as “to a 5 l jug”.',
      context.vessels
        .filter(({ capacityL }) => capacityL >= volumeL)
        .slice(0, 5)
        .map(({ name }) => candidate(again(`racked ${amount.text} to the ${name.toLowerCase()}`), `to the ${name}`)),
    );
  if (amount.after !== '' && !/^(?:off|left|now|over|from)\b/.test(amount.after))
    throw new DipAsk(`“${amount.after}” is one too many here.`, [candidate(again(`racked ${amount.text}${where}`))]);
  const event = rackedInto(volumeL, vessel);
  return entry(cloth && event.kind === 'rack' ? { kind: 'rack', payload: { ...event.payload, cloth } } : event);
}

/** “0.4 l to the small jug” behind a racking: the next vessel that it went into; null where it is something else. */
export function rackedAlso(before: Part, words: string, context: DipContext): Part | null {
  const [rack] = before.events ?? [];
  if (rack?.kind !== 'rack' || rack.payload.into === undefined) return null;
  const companion = /\b(?:as (?:a )?companion|companion)\b/;
  const taken = takeVessel(words.replace(companion, '').trim(), context);
  const amount = taken.vessel === null ? null : findAmount(taken.words, context);
  if (taken.vessel === null || amount === null || `${amount.before}${amount.after}` !== '') return null;
  const volumeL = litersOf(amount.text, context);
  const isCompanion = companion.test(words) ? { companion: true } : {};
  const into = [...rack.payload.into, { vessel: taken.vessel, volumeL, ...isCompanion }];
  return entry({ kind: 'rack', payload: { ...rack.payload, volumeL: rack.payload.volumeL + volumeL, into } });
}

/** Into another vessel as it is, or to another place. */
export function readMoved(rest: string, context: DipContext, again: Again, verb: string): Part {
  const { vessel } = takeVessel(rest, context);
  const presentL = mixedOf(context.ledger)?.volumeL;
  if (vessel !== null && presentL !== undefined) return entry({ kind: 'vessels', payload: { into: [{ vessel, volumeL: presentL }] } });
  const place =
    /^(?:it )?((?:up|down)stairs|outside|inside|outdoors|indoors)$/.exec(rest)?.[1] ??
    /^(?:it )?(?:back )?(?:in|down|up)?(?:to|into|in|on) (?:the |my |a )?(.+)$/.exec(rest)?.[1];
  if (place !== undefined && /^[\d.,]+\s*°?\s*[cf]?$/.test(place))
    throw new DipAsk(
      'Into the warm or the cold?',
      ['warmed', 'cooled'].map((how) => candidate(again(`${how} to ${place}`))),
    );
  if (place === undefined)
    throw new DipAsk('Moved where to?', [candidate(again(`${verb} to the cellar`)), candidate(again(`${verb} to `), 'another place')]);
  return entry({ kind: 'moved', payload: { to: place } });
}

/** “split 2 l into the 3 l jug”, “split into three”. */
export function readSplit(rest: string, context: DipContext, again: Again): Part {
  const presentL = mixedOf(context.ledger)?.volumeL ?? 0;
  const fitting = (volumeL: number): Vessel => {
    const fits = smallestHolding(context.vessels, volumeL);
    if (fits === undefined) throw new Refusal('There is no vessel to split it into; put one on the Shelf first.');
    return fits;
  };
  const parts = countOf(/^(?:in|into) (?:(?:equal )?parts? )?(.+)$/.exec(rest)?.[1] ?? '');
  if (parts !== null && /^(?:equal )?(?:parts?|jugs?|vessels?)?$/.test(parts.rest) && parts.count > 1) {
    const volumeL = presentL / parts.count;
    return { splits: Array.from({ length: parts.count - 1 }, () => ({ volumeL, vessel: fitting(volumeL) })) };
  }
  const { words, vessel } = takeVessel(rest, context);
  const amount = findAmount(words, context);
  if (amount === null)
    throw new DipAsk('How much is split off?', [
      candidate(again('split  l'), 'split off, and how much'),
      candidate(again('split into two'), 'into two equal parts'),
    ]);
  const volumeL = litersOf(amount.text, context);
  if (volumeL > presentL + 0.005 || volumeL <= 0) throw new Refusal(`${amount.text} cannot be split off: there is not so much in it.`);
  return { splits: [{ volumeL, vessel: vessel ?? fitting(volumeL) }] };
}
