import { say } from '../../quantities/index.ts';
import type { Ledger } from '../../record/index.ts';
import { finding } from './causes/cause.ts';
import type { Finding, StallCause } from './causes/cause.ts';
import { CAUSES } from './causes/index.ts';
import type { StallEvidence } from './evidence.ts';

export interface RankedCause {
  cause: StallCause;
  findings: Finding[];
  score: number;
}

/** From so many points on a cause is called likely, below none unlikely (our estimate). */
export const LIKELY_SCORE = 2;
/** What the maker found out outweighs all else. */
const SETTLED = 6;

/** The causes, likeliest first, each with what speaks for and against it. */
export function rankCauses(evidence: StallEvidence, found: Ledger['care']['findings'] = {}): RankedCause[] {
  return CAUSES.map((cause): RankedCause => {
    const findings = cause.weigh(evidence);
    const answer = found[cause.id];
    if (answer !== undefined)
      findings.unshift(finding(answer ? SETTLED : -SETTLED, answer ? say`You looked, and it is so.` : say`You looked, and it is not so.`));
    return { cause, findings, score: cause.usual + findings.reduce((sum, { weight }) => sum + weight, 0) };
  }).sort((a, b) => b.score - a.score);
}
