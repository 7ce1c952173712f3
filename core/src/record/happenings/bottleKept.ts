import { Refusal, moment, orNull, record, say, when, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { bottlesLeft } from '../view.ts';

/** How many bottles are kept back, and until when. */
export const bottleKept = happening({
  shape: record({ count: whole(0, 5000, [0, 3]), until: orNull(moment) }),
  believe: (ledger, { count }) => {
    const left = bottlesLeft(ledger);
    if (count > left) throw new Refusal(`${left === 1 ? 'One bottle is' : `${left} bottles are`} left; ${count} cannot be kept.`, 'count');
  },
  apply: ({ history }, { count, until }, { at }) => {
    history.bottlesKept = { at, count, until };
  },
  says: ({ count, until }) =>
    count === 0 ? ['none is kept back any more'] : [`${count} kept back`, ...(until === null ? [] : say` until ${when(until)}`)],
  corrects: [{ name: 'count', label: 'bottles', kind: 'count' }],
});
