import { choice, number, record, say, volumeL } from '../../quantities/index.ts';
import { requireVolume } from '../believed.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import { REMOVAL_REASONS } from '../kinds.ts';
import type { RemovalReason } from '../kinds.ts';
import { mixedOf } from '../view.ts';

const TOLD: Record<RemovalReason, string> = { sample: 'taken as a sample', foam: 'foamed over', spill: 'lost', lees: 'left on the lees' };

export const removal = happening({
  shape: record({ volumeL: number(0, 2000, [0, 3]), reason: choice(...REMOVAL_REASONS) }),
  believe: (ledger, payload) => requireVolume(payload.volumeL, ledger, 'lost'),
  apply: (ledger, { volumeL, reason }, { at }) => {
    const before = mixedOf(ledger);
    if (before === null) return;
    removeFraction(ledger.liquid, volumeL / before.volumeL);
    ledger.history.losses.push({ at, volumeL, why: reason });
  },
  says: (payload) => say`${volumeL(payload.volumeL)} ${TOLD[payload.reason]}`,
  corrects: [{ name: 'volumeL', label: 'lost', kind: 'volume' }],
});
