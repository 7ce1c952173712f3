import { HOLDS_MIN, HOLD_FROM_C, isHeld, lethalRate } from '../../heat/index.ts';
import { killedByHeat } from '../guard.ts';
import { number, record, say, tempC } from '../../quantities/index.ts';
import { requireLiquid } from '../believed.ts';
import { happening } from '../happening.ts';
import { isAllBottled } from '../view.ts';

/** What a core that is heated can read, °C. */
const CORE_C = { low: 30, high: 100 } as const;

/** The core of the mead was this warm for so long. */
export const heat = happening({
  shape: record({ tempC: number(CORE_C.low, CORE_C.high, [55, 75]), minutes: number(0, 1440, [1, 60]) }),
  believe: (ledger) => {
    if (!isAllBottled(ledger)) requireLiquid(ledger, 'The vessel is empty; there is nothing to heat.');
  },
  apply: (ledger, { tempC: warm, minutes }, { at }) => {
    ledger.history.heats.push({ at, tempC: warm, minutes });
    if (warm >= HOLD_FROM_C && isHeld({ minutes, units: minutes * lethalRate(warm) }, HOLDS_MIN[0])) killedByHeat(ledger, at);
  },
  says: (payload) => say`heated to ${tempC(payload.tempC)} for ${String(payload.minutes)} min`,
  corrects: [
    { name: 'tempC', label: 'core at', kind: 'temp', limits: CORE_C },
    { name: 'minutes', label: 'minutes', kind: 'count' },
  ],
});
