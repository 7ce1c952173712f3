/* What may be done about a stall, gentlest first, one change at a time. What is not stuck is left alone. */
import { say } from '../../../quantities/index.ts';
import type { Ledger } from '../../../record/index.ts';
import type { StallEvidence } from '../evidence.ts';
import type { RankedCause } from '../rank.ts';
import type { StallVerdict } from '../verdict.ts';
import { cureOf } from './cure.ts';
import type { Ailing, Cure, CureRule } from './cure.ts';
import { feed } from './feed.ts';
import { givingUp } from './givingUp.ts';
import { leave, letItStay, letStay } from './leave.ts';
import { measure, measureFirst } from './measure.ts';
import { raisePh } from './raisePh.ts';
import { rouse } from './rouse.ts';
import { cool, warm } from './warmth.ts';

const restart: CureRule = () =>
  cureOf('restart', say`Last, a starter that is used to it, grown by doublings. Dry yeast thrown into a stuck mead dies.`);

const FIRST: readonly CureRule[] = [measureFirst, warm, cool];
const THEN: readonly CureRule[] = [rouse, raisePh, feed, letItStay, restart];
const offered = (rules: readonly CureRule[], ailing: Ailing): Cure[] => rules.flatMap((rule) => rule(ailing) ?? []);

/** A preservative that likely is a great deal in it: nothing that lives can be helped. */
const HOPELESS_SCORE = 2;

export function curesFor(verdict: StallVerdict, evidence: StallEvidence, ranked: readonly RankedCause[]): Cure[] {
  const { kind } = verdict;
  switch (kind) {
    case 'malt':
      return [
        letStay(
          say`Leave it, and read it again in a week. Where you judge that it stays here, say so: two equal readings over two weeks, or three over one, then count as its end, and three over four weeks are worth a question for glass.`,
        ),
      ];
    case 'tolerance':
    case 'near its end':
      return [
        leave(
          say`Leave it. Read it again in a week; level over two weeks, or by a third reading, it has ended, and is stabilized before honey or bottles.`,
        ),
      ];
    case 'unread':
    case 'misread':
      return [measure];
    case 'lag':
    case 'moving':
      return [{ ...leave(say`Leave it alone, warm and closed.`), readAgainH: 24 }];
    case 'stuck':
    case 'slow':
    case 'suspect': {
      const [first] = ranked;
      if (first?.cause.id === 'preservative' && first.score > HOPELESS_SCORE) return [measure, givingUp(evidence)];
      const ailing = { verdict, evidence, ranked };
      return kind === 'stuck' ? offered([...FIRST, ...THEN], ailing) : [...offered(FIRST, ailing), measure].slice(0, 2);
    }
  }
}

/** The gentlest cure that was not tried since it stood still; to measure is never used up. */
export const nextCure = (cures: readonly Cure[], { care }: Pick<Ledger, 'care'>, stillSince: number): Cure | null =>
  cures.find(({ id }) => id === 'measure' || !care.cures.some(({ cure, at }) => cure === id && at >= stillSince)) ?? null;
