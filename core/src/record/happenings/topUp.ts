import { Refusal, numberAbove, record, say, volumeL } from '../../quantities/index.ts';
import { filledNow } from '../../vessel/index.ts';
import { happening } from '../happening.ts';
import type { Ledger } from '../ledger.ts';
import { mixedOf } from '../view.ts';

const now = (ledger: Ledger) => filledNow(ledger.history.vessels, mixedOf(ledger)?.volumeL ?? 0);
const companionL = (ledger: Ledger): number =>
  now(ledger).reduce((sum, { isCompanion, volumeL: liters }) => sum + (isCompanion ? liters : 0), 0);
/** What a maker cannot see missing, L. */
const UNSEEN_L = 0.005;

/** From the companion jug into the vessels that it stands by: the batch stays what it is. */
export const topUp = happening({
  shape: record({ volumeL: numberAbove(0, 2000, [0.01, 0.5]) }),
  believe: (ledger, payload) => {
    const thereL = companionL(ledger);
    if (thereL === 0) throw new Refusal('No companion jug stands by this batch; say with what it was topped up.');
    if (payload.volumeL > thereL + UNSEEN_L)
      throw new Refusal(say`The companion jug held ${volumeL(thereL)}; ${volumeL(payload.volumeL)} cannot have come from it.`, 'volumeL');
  },
  apply: (ledger, payload) => {
    const filled = now(ledger);
    const thereL = companionL(ledger);
    const othersL = filled.reduce((sum, { isCompanion, volumeL: liters }) => sum + (isCompanion ? 0 : liters), 0);
    const movedL = Math.min(payload.volumeL, thereL);
    ledger.history.vessels = filled.map((each) => ({
      ...each,
      volumeL: each.isCompanion
        ? each.volumeL * (thereL > 0 ? 1 - movedL / thereL : 1)
        : each.volumeL * (othersL > 0 ? 1 + movedL / othersL : 1),
    }));
  },
  says: (payload) => say`topped up with ${volumeL(payload.volumeL)} from the companion jug`,
  corrects: [{ name: 'volumeL', label: 'from the companion jug', kind: 'volume' }],
});
