import { choice, flag, maybe, number, record, say, volumeL } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { guessed } from '../assumptions.ts';
import { requireVolume } from '../believed.ts';
import { happening } from '../happening.ts';
import { removeFraction } from '../inVessel.ts';
import { REMOVAL_REASONS } from '../kinds.ts';
import type { RemovalReason } from '../kinds.ts';
import { mixedOf } from '../view.ts';

const TOLD: Record<RemovalReason, string> = {
  sample: 'taken as a sample',
  foam: 'foamed over',
  spill: 'lost',
  lees: 'left on the lees',
  drunk: 'drunk',
  dumped: 'dumped',
};

/** What left the vessel, about; a sample may have gone back. */
export const removal = happening({
  shape: record(
    {
      volumeL: number(0, 2000, [0, 3]),
      reason: choice(...REMOVAL_REASONS),
      /** Where it could only be guessed: the least and the most. */
      lowL: maybe(number(0, 2000, [0, 1])),
      highL: maybe(number(0, 2000, [3, 4])),
      returned: maybe(flag),
    },
    {
      holds: ({ volumeL: liters, lowL = liters, highL = liters }) => lowL <= liters && liters <= highL,
      says: 'The least that was lost cannot be more than the likely, nor the most less.',
    },
  ),
  believe: (ledger, payload) => requireVolume(payload.volumeL, ledger, payload.reason === 'dumped' ? 'dumped' : 'lost'),
  apply: (ledger, { volumeL: value, lowL = value, highL = value, reason, returned }, { at, assumptions }) => {
    const before = mixedOf(ledger);
    if (before === null || returned === true) return;
    const liters = guessed(assumptions, { value, low: lowL, high: highL });
    removeFraction(ledger.liquid, liters / before.volumeL);
    ledger.history.losses.push({ at, volumeL: liters, why: reason });
  },
  says: ({ volumeL: liters, reason, lowL, highL, returned }): Sentence => [
    ...(lowL === undefined || highL === undefined ? say`${volumeL(liters)}` : say`about ${volumeL(lowL)} to ${volumeL(highL)}`),
    ` ${TOLD[reason]}`,
    returned === true ? ' and poured back' : '',
  ],
  corrects: [
    { name: 'volumeL', label: 'lost', kind: 'volume' },
    { name: 'lowL', label: 'at least', kind: 'volume' },
    { name: 'highL', label: 'at most', kind: 'volume' },
  ],
});
