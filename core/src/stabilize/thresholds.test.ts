import { describe } from 'vitest';
import { DAY_MS } from '../quantities/index.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { freeSo2There, phKnown, planStabilizing } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
const ledgerOf = (...rows: [hour: number, content: EventContent][]): Ledger =>
  fold(eventsAt(START, [[0, honey(1350)], [0, water(4)], [1, yeast], [480, reading(0.992, 20)], ...rows]));
const plan = (over: { ph?: number; so2?: number; free?: number; region?: 'us' | 'eu' }) =>
  planStabilizing({
    volumeL: 4.5,
    abv: 12,
    known: phKnown(ledgerOf(), over.ph ?? 3.4, null),
    molecularMgPerL: 0.5,
    salt: 'potassium',
    region: over.region ?? 'us',
    so2MgPerL: over.so2 ?? 0,
    freeThereMgPerL: over.free ?? 0,
  });
const says = (id: string, over: Parameters<typeof plan>[0]): boolean => plan(over).verdicts.some((each) => each.id === id);

describe('stabilizing', () => {
  holdThresholds([
    ['HIGHEST_PH_FOR_SULFITE', (ph) => says('ph', { ph }), [3.8, false], [3.81, true]],
    ['TOTAL_SO2_CAP.us', (so2) => says('so2-cap', { so2 }), [321, false], [322, true]],
    ['TOTAL_SO2_CAP.eu', (so2) => says('so2-cap', { so2, region: 'eu' }), [221, false], [222, true]],
    ['BOUND_SHARE.value', (free) => Number(plan({ free }).addMgPerL.value.toFixed(1)), [0, 28.5], [10, 14.2]],
    ['BOUND_SHARE.low', (free) => Number(plan({ free }).addMgPerL.low.toFixed(1)), [0, 23.5], [10, 5.8]],
    ['BOUND_SHARE.high', (free) => Number(plan({ free }).addMgPerL.high.toFixed(1)), [0, 39.9], [10, 29.9]],
    ['FREE_PLUS_MINUS_MG_PER_L', (free) => Number(plan({ free }).addMgPerL.low.toFixed(2)), [14, 1.12], [15, 0]],
    [
      'FREE_HOLDS_DAYS',
      (days) => freeSo2There(ledgerOf([600, { kind: 'reading', payload: { freeSo2MgPerL: 20 } }]), START + 25 * DAY_MS + days * DAY_MS),
      [6.9, 20],
      [7.1, null],
    ],
    ['BY_KIND', (fruit) => phKnown(fruit === 1 ? ledgerOf([2, berries(500)]) : ledgerOf(), null, null).ph.high, [0, 3.9], [1, 3.6]],
    [
      'BY_KIND planned',
      (fruit) => phKnown(fruit === 1 ? ledgerOf([2, berries(500)]) : ledgerOf(), null, null).plannedPh,
      [0, 3.8],
      [1, 3.6],
    ],
    ['STRIP_PLUS_MINUS', (strip) => phKnown(ledgerOf(), null, strip).ph.high, [3.4, 3.7], [3.5, 3.8]],
  ]);
});
