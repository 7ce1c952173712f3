import { id, maybe, nameShape, number, record, say, volumeL } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import { mixedOf } from '../view.ts';
import type { Filled } from '../../vessel/index.ts';

/** Of several of one name the first that tops up no other. */
function without(vessels: readonly Filled[], name: string): Filled[] {
  const gone = vessels.find((each) => each.vessel.name === name && !each.isCompanion) ?? vessels.find((each) => each.vessel.name === name);
  return vessels.filter((each) => each !== gone);
}

export const transferOut = happening({
  shape: record({
    toBatchId: id,
    toName: nameShape,
    volumeL: number(0, 2000, [0.1, 2]),
    /** One of its own vessels, which goes over as it stands. */
    vessel: maybe(nameShape),
  }),
  apply: (ledger, { toBatchId, toName, volumeL, vessel }, { at }) => {
    const before = mixedOf(ledger);
    ledger.history.transfers.push({ at, batchId: toBatchId, name: toName, volumeL, direction: 'out' });
    ledger.history.losses.push({ at, volumeL, why: 'split' });
    if (vessel !== undefined) ledger.history.vessels = without(ledger.history.vessels, vessel);
    if (before !== null) removeFraction(ledger.liquid, volumeL / before.volumeL);
  },
  says: (payload) => say`${volumeL(payload.volumeL)} went into ${payload.toName}`,
  corrects: [],
  isTransfer: true,
});
