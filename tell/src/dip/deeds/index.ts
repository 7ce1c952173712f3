import { drippingOf } from '@hollow-bell/core/record';
import { massG, say } from '@hollow-bell/core/quantities';
import { findAmount, gramsOf } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { readBottleOut, readBottled } from './bottles.ts';
import { entry, notYet } from './deed.ts';
import type { Again, Deed } from './deed.ts';
import { readDrank, readDumped, readLost } from './lost.ts';
import { readFed, readPoured, readToppedUp } from './poured.ts';
import { readMoved, readRacked, readSplit } from './vessels.ts';
import { readCore, readHeated, readWarmed } from './warmth.ts';

function readBag(rest: string, context: DipContext): Part {
  const amount = findAmount(rest, context);
  if (amount !== null) return entry({ kind: 'strain', payload: { massG: gramsOf(amount.text, context), share: 1 } });
  const about = drippingOf(context.ledger, 1);
  const told = say`lifted the pulp out, about ${massG(about.low)} to ${massG(about.high)} by what was in it; weigh it to know`;
  return { events: [{ kind: 'strain', payload: { share: 1 } }], told };
}

function readFiltered(rest: string, _context: DipContext, again: Again): Part {
  const through = /^(?:it )?(?:through|with) (?:a |the )?(.+)$/.exec(rest)?.[1];
  if (through === undefined)
    throw new DipAsk('Through what? Home pads leave yeast in it; a cloth leaves all of it.', [
      candidate(again('filtered through pads')),
      candidate(again('filtered through a cloth')),
      candidate(again('filtered through '), 'something else'),
    ]);
  return entry({ kind: 'filter', payload: { through } });
}

const poured = (pattern: RegExp): Deed => ({
  pattern,
  read: (rest, context, again, verb) => readPoured(rest, context, again, verb, context.products),
});
const unknown = (pattern: RegExp, what: string): Deed => ({
  pattern,
  read: (rest, _context, again, verb) => notYet(what, `${verb} ${rest}`.trim(), again),
});

/** Deeds by their first words. */
const DEEDS: readonly Deed[] = [
  { pattern: /^(fed|feed|feeding)\b/, read: readFed },
  { pattern: /^(racked|rack|siphoned|transferred)\b/, read: readRacked },
  { pattern: /^(foamed over|foam-over|foam over|overflowed|erupted|lost|spilled|spilt|sampled|sample|took a sample)\b/, read: readLost },
  { pattern: /^(drank|drunk|drink)\b/, read: readDrank },
  { pattern: /^(dumped|discarded|threw (?:it )?(?:away|out)|poured (?:it )?away)\b/, read: readDumped },
  { pattern: /^(bottled)\b/, read: readBottled },
  { pattern: /^(opened|tapped)\b/, read: readBottleOut('opened') },
  { pattern: /^(broke)\b/, read: readBottleOut('broken') },
  { pattern: /^(burst)\b/, read: readBottleOut('burst') },
  { pattern: /^(gushed)\b/, read: readBottleOut('gushed') },
  { pattern: /^(leaked)\b/, read: readBottleOut('leaked') },
  {
    pattern: /^(gave away|gave(?= (?:an?|one|two|three|four|five|six|\d+)(?: bottles?)?(?: away| to\b|$)))\b/,
    read: readBottleOut('given'),
  },
  {
    pattern:
      /^(bag out|bags out|fruit out|pulp out|took (?:out )?the (?:bag|fruit)(?: out)?|lifted (?:out )?the (?:bag|fruit|pulp)(?: out)?|strained)\b/,
    read: readBag,
  },
  { pattern: /^(warmed|warm|cooled|cool|chilled|cold[ -]crashed|crashed)\b/, read: readWarmed },
  { pattern: /^(core)\b/, read: readCore },
  { pattern: /^(heated|heat|pasteurized|pasteurised|pasteurize)\b/, read: readHeated },
  { pattern: /^(split)\b/, read: readSplit },
  {
    pattern:
      /^(moved|carried|put(?! in\b)|put(?= in (?:the |my |a )?(?:fridge|cellar|basement|garage|kitchen|closet|cupboard|attic|shed|bath|bathroom|pantry|cold|warm)\b))\b/,
    read: readMoved,
  },
  { pattern: /^(filtered)\b/, read: readFiltered },
  { pattern: /^(topped up|topped off|top up|topped)\b/, read: readToppedUp },
  poured(
    /^(added|add|poured|put in|stirred in|(?:back[ -]?)?sweetened(?: with)?|diluted(?: with)?|thinned(?: with)?|gave|dosed|sulfited(?: with)?|fined(?: with)?|oaked(?: with)?|pitched|pitch|repitched|dissolved)\b/,
  ),
  unknown(/^(blended|blend)\b/, 'A blend by the line'),
  unknown(/^(primed|corked|labeled|labelled|boiled)\b/, 'That'),
];

/** Reads a part of a line by the deed it begins with; null where it begins with none. */
export function readDeed(words: string, context: DipContext, again: Again): Part | null {
  for (const { pattern, read } of DEEDS) {
    const match = pattern.exec(words);
    if (match === null) continue;
    return read(words.slice(match[0].length).trim(), context, again, match[1] ?? '');
  }
  return null;
}

const ANYWHERE =
  /\b(?:fed|racked|siphoned|transferred|foamed over|lost|spilled|spilt|sampled|drank|dumped|bottled|topped up|added|poured|pitched|stirred in|(?:back[ -]?)?sweetened|diluted|sulfited|split|blended|heated|pasteuri[sz]ed|warmed|cooled|chilled|moved|opened|fined|filtered|primed|strained|discarded)\b/;

/** A deed stands in it: such a line is never a mere note. */
export const holdsDeed = (words: string): boolean => ANYWHERE.test(words);
