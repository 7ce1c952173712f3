import { Refusal, choice, maybe, number, record, text, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { BOTTLE_ENDS } from '../kinds.ts';
import type { BottleEnd } from '../kinds.ts';
import { bottlesLeft } from '../view.ts';

const TOLD: Record<BottleEnd, string> = { opened: 'opened', given: 'given away', broken: 'broken', burst: 'burst', leaked: 'leaked' };

/** Bottles that left the cellar. */
export const bottleOut = happening({
  shape: record({
    count: whole(1, 5000, [1, 3]),
    end: choice(...BOTTLE_ENDS),
    /** To whom. */
    to: maybe(text(120)),
    sizeMl: maybe(number(20, 100_000, [250, 750])),
  }),
  believe: (ledger, { count }) => {
    const left = bottlesLeft(ledger);
    if (ledger.history.bottled === null) throw new Refusal('Nothing of this batch is bottled yet.');
    if (count > left)
      throw new Refusal(
        left === 0
          ? 'None of it is left; the last one went before.'
          : `Only ${left} ${left === 1 ? 'bottle of it is' : 'bottles of it are'} left; ${count} cannot have gone.`,
        'count',
      );
  },
  apply: ({ history }, { count, end, to, sizeMl }, { at }) => {
    history.bottlesOut.push({ at, count, end, sizeMl: sizeMl ?? null, to: to ?? null });
  },
  says: ({ count, end, to }) => [
    `${count} ${count === 1 ? 'bottle' : 'bottles'} ${TOLD[end]}`,
    ...(to === undefined ? [] : [`, to ${to}`]),
  ],
  corrects: [
    { name: 'count', label: 'bottles', kind: 'count' },
    { name: 'to', label: 'to whom', kind: 'text' },
  ],
});
