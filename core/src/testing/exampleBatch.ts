import { MEAN_HONEY } from '../ingredients/index.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { DAP_CAP_G_PER_L } from '../nitrogen/index.ts';
import type { FeedingPractice } from '../feed/index.ts';

/** For the tests: the moment of mixing, and a must of 6 L or so at 1.108, followed by what a test adds. */
export const MIXED_AT = Date.UTC(2026, 2, 1, 18);
export const EXAMPLE_PRACTICE: FeedingPractice = {
  school: 'clock',
  ownHours: [24, 48, 72],
  setDoses: [],
  organicCredit: 1,
  ammoniumShare: 0.5,
  dapCapGPerL: DAP_CAP_G_PER_L.us,
  organic: { source: 'organic' },
  ammonium: { source: 'dap' },
};

export const EXAMPLE_HONEY = {
  kind: 'honey' as const,
  payload: { name: 'heather', massG: 2050, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
};

export type Happening = [atHour: number, content: EventContent];

/** @param yeastId pitched an hour after mixing */
export function exampleBatch(yeastId: string, ...more: Happening[]): Ledger {
  const begun: Happening[] = [
    [0, EXAMPLE_HONEY],
    [0, { kind: 'water', payload: { volumeL: 4.6 } }],
    [1, { kind: 'yeast', payload: { yeastId, name: yeastId, massG: 6 } }],
  ];
  return fold(eventsAt(MIXED_AT, [...begun, ...more]));
}
