import { POT_C } from '../../heat/index.ts';
import { maybe, number, record, say, tempC } from '../../quantities/index.ts';
import type { CorrectedField } from '../happening.ts';
import { requireLiquid } from '../believed.ts';
import { heatKills } from '../guard.ts';
import { happening } from '../happening.ts';
import { isAllBottled } from '../view.ts';

const potC = (name: 'coreC' | 'bathC', label: string): CorrectedField<'coreC' | 'bathC'> => ({ name, label, kind: 'temp', limits: POT_C });

/** The middle of the mead while it is heated, and the water around it. */
export const core = happening({
  shape: record({ coreC: number(POT_C.low, POT_C.high, [20, 71]), bathC: maybe(number(POT_C.low, POT_C.high, [20, 75])) }),
  believe: (ledger) => {
    if (!isAllBottled(ledger)) requireLiquid(ledger, 'The vessel is empty; there is nothing to heat.');
  },
  apply: (ledger, { coreC, bathC }, { at }) => {
    ledger.history.cores.push({ at, coreC, ...(bathC === undefined ? {} : { bathC }) });
    heatKills(ledger, at);
  },
  says: ({ coreC, bathC }) => (bathC === undefined ? say`core ${tempC(coreC)}` : say`core ${tempC(coreC)}, bath ${tempC(bathC)}`),
  corrects: [potC('coreC', 'core'), potC('bathC', 'bath')],
});
