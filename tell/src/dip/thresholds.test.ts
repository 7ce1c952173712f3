import { exampleBatch } from '@hollow-bell/core/testing/batch';
import { holdThresholds } from '@hollow-bell/core/testing/thresholds';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { describe } from 'vitest';
import { commonProducts, readDipLine } from './index.ts';
import type { DipContext } from './index.ts';

const NOW = new Date(2026, 10, 23, 14).getTime();
const MINUTE = 60_000;
const context: DipContext = {
  now: NOW,
  units: 'metric',
  locale: 'en-GB',
  instruments: { calibrationC: 20, phMeter: null },
  rules: { dapCapGPerL: 0.96 },
  products: commonProducts({ yeastId: 'allround' }),
  vessels: USUAL_VESSELS,
  doseFor: () => 2,
  plannedDose: null,
  ledger: exampleBatch('allround'),
};
const clock = (at: number): string =>
  `${String(new Date(at).getHours()).padStart(2, '0')}:${String(new Date(at).getMinutes()).padStart(2, '0')}`;
const read = (typed: string): { hour: string; refused: string } => {
  try {
    const { happenedAt } = readDipLine(typed, context) as unknown as { happenedAt?: number; at?: number };
    return { hour: clock(happenedAt ?? 0), refused: '' };
  } catch (error) {
    return { hour: '', refused: String(error) };
  }
};
const refused = (typed: string): string => read(typed).refused;

describe('when it was', () => {
  holdThresholds([
    ['SLACK_MS', (minutes) => refused(`today ${clock(NOW + minutes * MINUTE)} degassed`), [5, ''], [6, /has not come yet/]],
    ['hour > 23', (hour) => refused(`yesterday ${hour}:30 degassed`), [23, ''], [24, /no time of the day/]],
    ['minute > 59', (minute) => refused(`yesterday 10:${minute} degassed`), [59, ''], [60, /no time of the day/]],
    ['read > 12', (hour) => refused(`yesterday ${hour}:30 pm degassed`), [12, ''], [13, /no time of the day/]],
  ]);
});
