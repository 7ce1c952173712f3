import type { Sentence } from '../../../quantities/index.ts';
import type { CureMade, EventContent } from '../../../record/index.ts';
import { READ_AGAIN_H } from '../cureUnderWay.ts';
import type { StallEvidence } from '../evidence.ts';
import type { RankedCause } from '../rank.ts';
import type { StallVerdict } from '../verdict.ts';

export type CureId = CureMade | 'measure' | 'restart' | 'leave' | 'give up';
/** What is no change made at once is looked at again after so long: a week for what should have ended. */
const LOOK_AGAIN_H: Partial<Record<CureId, number>> = { measure: 24, restart: 72, leave: 168, 'give up': 0 };

/** One change. After it, wait and read, before the next. */
export interface Cure {
  id: CureId;
  sentence: Sentence;
  /** Hours until the reading that tells whether it helped. */
  readAgainH: number;
  /** What one touch writes down once it is done; null where there is more to be said than that. */
  deed: { label: Sentence; events: EventContent[] } | null;
}

export const cureOf = (id: CureId, sentence: Sentence, deed: Cure['deed'] = null): Cure => ({
  id,
  sentence,
  readAgainH: LOOK_AGAIN_H[id] ?? READ_AGAIN_H,
  deed,
});
/** A cure that is done at a touch: what that writes down, beside what else went in. */
export const deed = (label: Sentence, payload: { cure: CureMade; toC?: number }, ...more: EventContent[]): Cure['deed'] => ({
  label,
  events: [{ kind: 'cure', payload }, ...more],
});

/** A batch as a rule looks at it. */
export interface Ailing {
  verdict: StallVerdict;
  evidence: StallEvidence;
  ranked: readonly RankedCause[];
}
/** What it offers; null where it would do nothing. */
export type CureRule = (ailing: Ailing) => Cure | null;

export const isLikely = ({ ranked }: Ailing, id: RankedCause['cause']['id']): boolean =>
  ranked.some(({ cause, score }) => cause.id === id && score >= 1);
/** The middle of what its yeast likes, °C. */
export const middleC = ({ evidence: { yeast } }: Ailing): number => Math.round((yeast.tempC.low + yeast.tempC.high) / 2);
