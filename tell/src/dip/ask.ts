import { Refusal } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';

/** A likelier line to press: it takes the place of what was typed, and is shown before it is written. */
export interface Candidate {
  said: Sentence;
  line: string;
}

/** What was typed is not sure, or not whole: nothing is written before one of these, or another line, is. */
export class DipAsk extends Refusal {
  readonly candidates: readonly Candidate[];

  constructor(sentence: string | Sentence, candidates: readonly Candidate[] = []) {
    super(sentence);
    this.name = 'DipAsk';
    this.candidates = candidates;
  }
}

export const candidate = (line: string, said: string | Sentence = line.trim()): Candidate => ({
  line,
  said: typeof said === 'string' ? [said] : said,
});
