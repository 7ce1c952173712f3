import type { Sentence } from '../../../quantities/index.ts';
import type { StallCauseId } from '../../../record/index.ts';
import type { StallEvidence } from '../evidence.ts';

/** One thing in the record that speaks for a cause or against it. Weights are points; they only set the order. */
export interface Finding {
  weight: number;
  sentence: Sentence;
}

/** A rule that a maker can read and argue with. */
export interface StallCause {
  id: StallCauseId;
  name: string;
  /** How often it is this, before anything is known (our estimate). */
  usual: number;
  /** What the record says for it (above 0) and against it. */
  weigh: (evidence: StallEvidence) => Finding[];
  /** The cheapest look that would settle it. */
  check: Sentence;
}

export const finding = (weight: number, sentence: Sentence): Finding => ({ weight, sentence });
/** Something that would tell, and is not on record. */
export const NOT_KNOWN = 0;

/** From so many points on one thing speaks strongly; below one it only leans (our estimates, as the points are). */
const STRONG = 3;
const PLAIN = 1;

/** How much one thing speaks for a cause or against it, in words: its points have no scale of their own. */
export function findingTold({ weight }: Finding): string {
  if (weight === 0) return 'open';
  const side = weight > 0 ? 'for it' : 'against it';
  const points = Math.abs(weight);
  if (points >= STRONG) return `strongly ${side}`;
  return points >= PLAIN ? side : `a little ${side}`;
}
