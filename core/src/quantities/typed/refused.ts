import { Refusal } from '../refusal.ts';
import type { Sentence } from '../sentence.ts';

/** What may have been meant, to be taken at a press. */
export interface Offer {
  /** In SI. */
  value: number;
  said: Sentence;
}

/** Typed text that is not taken as it stands, with what may have been meant by it. */
export class TypedRefusal extends Refusal {
  readonly offers: readonly Offer[];

  constructor(sentence: string | Sentence, offers: readonly Offer[] = [], field?: string) {
    super(sentence, field);
    this.name = 'TypedRefusal';
    this.offers = offers;
  }
}
