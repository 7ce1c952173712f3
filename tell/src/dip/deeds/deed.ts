import type { EventContent } from '@hollow-bell/core/record';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';

/** Puts other words in the place of those that were read, as a line to press. */
export type Again = (line: string) => string;
export interface Deed {
  pattern: RegExp;
  /** @param rest what stands behind the words that it begins with @param verb those words */
  read: (rest: string, context: DipContext, again: Again, verb: string) => Part;
}

export const entry = (...events: EventContent[]): Part => ({ events });

/** What this program has no entry for yet: it is said so, and may stand as a note. */
export const notYet = (what: string, words: string, again: Again): never => {
  throw new DipAsk(`${what} has no entry of its own here yet; it may stand as a note.`, [candidate(again(`note ${words}`))]);
};

const NUMBERS: Record<string, number> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6 };
/** “two” or “12”, standing first; null where neither does. */
export function countOf(words: string): { count: number; rest: string } | null {
  const found = /^(\d+|an?|one|two|three|four|five|six)\b\s*/.exec(words);
  if (found === null) return null;
  const word = found[1] ?? '';
  return { count: NUMBERS[word] ?? Number(word), rest: words.slice(found[0].length) };
}
