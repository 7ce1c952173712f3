import { gravity, say } from '../../quantities/index.ts';
import type { Ledger, ReadingPoint } from '../../record/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

/** A first reading this far from the recipe is worth a question: the honey's usual spread and the hydrometer's own (our estimate). */
const WORTH_SETTLING_SG = 0.004;

/** A reading of the must that its pours do not explain. */
export function unsettledReading({ history }: Ledger): ReadingPoint | null {
  const last = history.readings.at(-1);
  if (last === undefined) return null;
  const off = Math.abs(last.sg - (history.predictedOg ?? 0));
  return last.verdict === 'unexplained' || off > WORTH_SETTLING_SG ? last : null;
}

export const settle: AskRule = {
  asks: ({ ledger, state }) => {
    const off = state.phase === 'mixed' ? unsettledReading(ledger) : null;
    return off === null
      ? null
      : asked(off.at, 'swinging', off.at, say`${gravity(off.sg)} is not what was poured. Settle what happened, then pitch.`, 'pitch');
  },
};
