import type { FieldKind, Immutable, Limits, RecordShape, Sentence } from '../quantities/index.ts';
import type { Assumptions } from './assumptions.ts';
import type { Folding, Ledger } from './ledger.ts';

/** Which event it is, when it happened, and what is assumed where nobody measured. */
export interface Moment {
  id: string;
  at: number;
  assumptions: Assumptions;
}

/** A figure that can be corrected, by the name it has in the payload. */
export interface CorrectedField<Name extends string = string> {
  name: Name;
  label: string;
  kind: FieldKind | 'text';
  /** Narrower or wider than its kind's. */
  limits?: Limits;
}

export interface Taken {
  lotId?: string | undefined;
  massG: number;
}

/** All that this program knows of one kind of thing that can happen to a batch. */
export interface Happening<P> {
  shape: RecordShape<P>;
  /** What it does to the state. It may read the payload, never write into it. */
  apply: (ledger: Folding, payload: Immutable<P>, moment: Moment) => void;
  /** One line of the log. */
  says: (payload: Immutable<P>) => Sentence;
  /**
   * Whether it can be believed of a batch that stands like this.
   * @param pitchedAt when the whole record says that yeast went in first
   * @throws Refusal with what is wrong and what is allowed
   */
  believe?: (ledger: Ledger, payload: Immutable<P>, moment: { at: number; pitchedAt: number | null }) => void;
  /** The same of what it led to. @throws Refusal */
  believeAfter?: (ledger: Ledger, moment: { id: string; at: number; pitchedAt: number | null }) => void;
  corrects: readonly CorrectedField<keyof P & string>[];
  /** What follows of the rest where a figure of it was corrected. */
  inKeeping?: (payload: Immutable<P>) => Immutable<P>;
  /** What it takes from the shelf, in grams, or of what is counted in pieces. */
  takes?: (payload: Immutable<P>) => Taken | readonly Taken[];
  /** Only a split or a blend writes it, so that no mass is invented. */
  isTransfer?: true;
}

/** One shape for all of them, so that the fold looks each up as fast as the others; the type of a payload follows from its shape. */
export const happening = <P>({
  shape,
  apply,
  says,
  corrects,
  believe,
  believeAfter,
  inKeeping,
  takes,
  isTransfer,
}: Happening<P>): Happening<P> => ({ shape, apply, says, corrects, believe, believeAfter, inKeeping, takes, isTransfer }) as Happening<P>;
