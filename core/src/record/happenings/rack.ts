import { numberAbove, record, say, volumeL } from '../../quantities/index.ts';
import { VOLUME_SLACK, requireVolume } from '../believed.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import { mixedOf } from '../view.ts';

/** Siphoned off the lees; the volume is what was measured afterwards. */
export const rack = happening({
  shape: record({ volumeL: numberAbove(0, 2000, [0.1, 8]) }),
  believe: (ledger, payload) => requireVolume(payload.volumeL, ledger, 'racked', VOLUME_SLACK),
  apply: (ledger, { volumeL }, { at }) => {
    const { liquid, history } = ledger;
    const before = mixedOf(ledger);
    history.rackedAt = at;
    if (before === null) return;
    const lostL = Math.max(0, before.volumeL - volumeL);
    removeFraction(liquid, lostL / before.volumeL);
    liquid.removedG += liquid.yeastG + liquid.insolubleG;
    liquid.yeastG = 0;
    liquid.insolubleG = 0;
    history.losses.push({ at, volumeL: lostL, why: 'racking' });
  },
  says: (payload) => say`racked, ${volumeL(payload.volumeL)} left`,
  corrects: [{ name: 'volumeL', label: 'left after racking', kind: 'volume' }],
});
