import type { Sentence } from '../../quantities/index.ts';
import { cureUnderWay, curesFor, nextCure, rankCauses, stallEvidence, stallVerdict } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';
import { starterUnderWay } from './starter.ts';

/** A stall with its likeliest cause by the school that feeds the batch, and the gentlest cure as its deed. */
export const stuck: AskRule = {
  asks: ({ ledger, feeding, state, now }) => {
    if (state.phase !== 'stuck' || starterUnderWay(ledger) || cureUnderWay(ledger) !== null) return null;
    const lastAt = ledger.history.readings.at(-1)?.at ?? now;
    const evidence = feeding === null ? null : stallEvidence(ledger, now, feeding.practice.organicCredit);
    const ranked = evidence === null ? [] : rankCauses(evidence, ledger.care.findings);
    const [first] = ranked;
    const why: Sentence =
      first === undefined ? [] : [` Likeliest: ${first.cause.name.toLowerCase()}. `, ...(first.findings[0]?.sentence ?? [])];
    const cure =
      evidence === null ? null : nextCure(curesFor(stallVerdict(evidence), evidence, ranked), ledger, evidence.still?.at ?? lastAt);
    return { ...asked(lastAt, 'cracked', lastAt, [...state.sentence, ...why]), done: cure?.deed ?? null };
  },
};
