import { Refusal, choice, flag, maybe, number, record, text, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import type { Folding } from '../ledger.ts';
import { BOTTLE_ENDS } from '../kinds.ts';
import type { BottleEnd } from '../kinds.ts';
import { bottlesLeft } from '../view.ts';

const TOLD: Record<BottleEnd, string> = {
  opened: 'opened',
  given: 'given away',
  broken: 'broken',
  burst: 'burst',
  gushed: 'gushed over',
  leaked: 'leaked',
};

/** Gives empties back to the lots that they were taken from: of this size, or of any where none was said. */
function putBack({ history, taken }: Folding, count: number, sizeMl: number | undefined): void {
  let left = count;
  for (const row of history.bottled?.bottles ?? []) {
    if (row.lotId === undefined || (sizeMl !== undefined && row.sizeMl !== sizeMl)) continue;
    const back = Math.min(left, taken[row.lotId] ?? 0, row.count);
    taken[row.lotId] = (taken[row.lotId] ?? 0) - back;
    left -= back;
  }
}

/** Bottles that left the cellar. */
export const bottleOut = happening({
  shape: record({
    count: whole(1, 5000, [1, 3]),
    end: choice(...BOTTLE_ENDS),
    /** To whom. */
    to: maybe(text(120)),
    sizeMl: maybe(number(20, 100_000, [250, 750])),
    /** The empty came back into its crate. */
    back: maybe(flag),
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
  apply: (ledger, { count, end, to, sizeMl, back }, { at }) => {
    if (back === true) putBack(ledger, count, sizeMl);
    ledger.history.bottlesOut.push({ at, count, end, sizeMl: sizeMl ?? null, to: to ?? null });
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
