import { HOLDS_MIN, HOLD_STOP_C, LOG_STALLS_MIN, heldOf, isHeld } from '../../heat/index.ts';
import { isAllBottled } from '../../record/index.ts';
import { HOUR_MS, MINUTE_MS, say, tempC, when } from '../../quantities/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

/** A pot is looked after for so long after its last reading; then it was let be. */
const LOOKED_AFTER_MS = 3 * HOUR_MS;

/** A pot on the fire is not left alone: the core too hot, or a log that has stalled before the hold is met. */
export const heating: AskRule = {
  isDanger: true,
  asks: ({ ledger, now }) => {
    const { last, units, minutes, since } = heldOf(ledger.history.cores);
    if (last === null || isAllBottled(ledger) || now - last.at > LOOKED_AFTER_MS) return null;
    if (last.coreC > HOLD_STOP_C)
      return asked(
        last.at,
        'cracked',
        last.at,
        say`The core reads ${tempC(last.coreC)}, above ${tempC(HOLD_STOP_C)}: the honey cooks. Take it off the heat.`,
        'stabilize',
      );
    if (isHeld({ units: units.value, minutes }, HOLDS_MIN[0])) return null;
    if (now - last.at > LOG_STALLS_MIN * MINUTE_MS)
      return asked(
        last.at,
        'cracked',
        last.at,
        say`The log of its heating stopped ${when(last.at)}: read the core, and look at the pot.`,
        'stabilize',
      );
    return since === null ? null : asked(last.at, 'muffled', now, say`In the bath: ${units.value.toFixed(0)} units so far.`, 'stabilize');
  },
};
