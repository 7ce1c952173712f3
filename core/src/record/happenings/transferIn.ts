import { id, list, maybe, nameShape, number, own, record, say, volumeL } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import type { Ledger } from '../ledger.ts';
import { receive } from '../parcel.ts';

/** Part of another batch poured in, with its past. */
export const transferIn = happening({
  shape: record({
    fromBatchId: id,
    fromName: nameShape,
    volumeL: number(0, 2000, [0.1, 2]),
    parcel: own<Ledger>('the folded state'),
    /** What was split off with it. */
    beside: maybe(list(record({ batchId: id, name: nameShape }), 0, 12)),
  }),
  apply: (ledger, { fromBatchId, fromName, volumeL, parcel, beside = [] }, { at }) => {
    const direction = receive(ledger, parcel);
    ledger.history.lastEventAt = at;
    ledger.history.transfers.push({
      at,
      batchId: fromBatchId,
      name: fromName,
      volumeL,
      direction,
      beside: beside.map((each) => ({ ...each })),
    });
  },
  says: (payload) => say`took over ${volumeL(payload.volumeL)} from ${payload.fromName}`,
  corrects: [],
  isTransfer: true,
});
