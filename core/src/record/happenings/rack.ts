import { flag, maybe, numberAbove, record, say, volumeL } from '../../quantities/index.ts';
import { VOLUME_SLACK, requireVolume } from '../believed.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import { mixedOf } from '../view.ts';
import { filledBy, intoShape, intoTold, sharing } from './into.ts';

/** Two sums of what was measured may differ by this much, L. */
const UNSEEN_L = 0.005;

/** Siphoned off the lees; the volume is what was measured afterwards, in all vessels together. */
export const rack = happening({
  shape: record(
    { volumeL: numberAbove(0, 2000, [0.1, 8]), into: maybe(intoShape), cloth: maybe(flag) },
    {
      holds: ({ volumeL: liters, into }) =>
        into === undefined || Math.abs(into.reduce((sum, each) => sum + each.volumeL, 0) - liters) <= UNSEEN_L,
      says: 'What stands in the vessels must come to what was racked.',
    },
  ),
  believe: (ledger, payload) => requireVolume(payload.volumeL, ledger, 'racked', VOLUME_SLACK),
  apply: (ledger, { volumeL: liters, into }, { at }) => {
    const { liquid, history } = ledger;
    const before = mixedOf(ledger);
    history.rackedAt = at;
    if (into !== undefined) history.vessels = filledBy(into);
    if (before === null) return;
    const lostL = Math.max(0, before.volumeL - liters);
    removeFraction(liquid, lostL / before.volumeL);
    liquid.removedG += liquid.yeastG + liquid.insolubleG;
    liquid.yeastG = 0;
    liquid.insolubleG = 0;
    history.losses.push({ at, volumeL: lostL, why: 'racking' });
  },
  says: ({ volumeL: liters, into, cloth }) => [
    ...(into === undefined ? say`racked, ${volumeL(liters)} left` : ['racked: ', ...intoTold(into)]),
    cloth === true ? ', through a cloth' : '',
  ],
  corrects: [{ name: 'volumeL', label: 'left after racking', kind: 'volume' }],
  /** Each vessel keeps its share of what is there. */
  inKeeping: (payload) => (payload.into === undefined ? payload : { ...payload, into: sharing(payload.into, payload.volumeL) }),
});
