import { id, nameShape, number, record, say, volumeL } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import { mixedOf } from '../view.ts';

export const transferOut = happening({
  shape: record({ toBatchId: id, toName: nameShape, volumeL: number(0, 2000, [0.1, 2]) }),
  apply: (ledger, { toBatchId, toName, volumeL }, { at }) => {
    const before = mixedOf(ledger);
    ledger.history.transfers.push({ at, batchId: toBatchId, name: toName, volumeL, direction: 'out' });
    ledger.history.losses.push({ at, volumeL, why: 'split' });
    if (before !== null) removeFraction(ledger.liquid, volumeL / before.volumeL);
  },
  says: (payload) => say`${volumeL(payload.volumeL)} went into ${payload.toName}`,
  corrects: [],
  isTransfer: true,
});
