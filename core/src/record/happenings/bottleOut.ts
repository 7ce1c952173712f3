import { Refusal, choice, record, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { BOTTLE_ENDS } from '../kinds.ts';
import type { BottleEnd } from '../kinds.ts';
import { bottlesLeft } from '../view.ts';

const TOLD: Record<BottleEnd, string> = { opened: 'opened', given: 'given away', broken: 'broken' };

/** Bottles that left the cellar. */
export const bottleOut = happening({
  shape: record({ count: whole(1, 5000, [1, 3]), end: choice(...BOTTLE_ENDS) }),
  believe: (ledger, { count }) => {
    const left = bottlesLeft(ledger);
    if (ledger.history.bottled === null) throw new Refusal('Nothing of this batch is bottled yet.');
    if (count > left)
      throw new Refusal(`Only ${left} ${left === 1 ? 'bottle of it is' : 'bottles of it are'} left; ${count} cannot have gone.`, 'count');
  },
  apply: ({ history }, { count, end }, { at }) => {
    history.bottlesOut.push({ at, count, end });
  },
  says: ({ count, end }) => [`${count} ${count === 1 ? 'bottle' : 'bottles'} ${TOLD[end]}`],
  corrects: [{ name: 'count', label: 'bottles', kind: 'count' }],
});
