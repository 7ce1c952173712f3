import { describe } from 'vitest';
import { HOUR_MS, plainly } from '../quantities/index.ts';
import { eventsAt, fold, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { yeastToPitchG } from '../yeast/index.ts';
import { entryDoubts, thinning } from './index.ts';

const START = Date.UTC(2026, 4, 2, 10);
type Row = [hour: number, content: EventContent];
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
];
const live: Row[] = [...must, [1, yeast]];
const ledgerOf = (...rows: Row[]): Ledger => fold(eventsAt(START, rows));
const { volumeL, sg } = viewOf(ledgerOf(...must))!;
const asks = (hour: number, content: EventContent, ...rows: Row[]): string =>
  entryDoubts(ledgerOf(...rows), content, START + hour * HOUR_MS, { dapCapGPerL: 0.96 })
    .map(plainly)
    .join(' ');
const warm = (tempC: number): EventContent => ({ kind: 'reading', payload: { tempC } });
const dap = (massG: number): EventContent => ({ kind: 'nutrient', payload: { source: 'dap', massG } });
const organic = (massG: number): EventContent => ({ kind: 'nutrient', payload: { source: 'organic', massG } });
const sulfite: EventContent = { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } };
const pitched = (massG: number): EventContent => ({ kind: 'yeast', payload: { yeastId: 'allround', name: 'some', massG } });
const core = (coreC: number, bathC?: number): EventContent => ({
  kind: 'core',
  payload: { coreC, ...(bathC === undefined ? {} : { bathC }) },
});
const into = (liters: number): EventContent => ({
  kind: 'rack',
  payload: { volumeL: liters, into: [{ vessel: { kind: 'jug', name: 'jug', capacityL: 4 }, volumeL: liters }] },
});
const dry: Row[] = [...live, ...[20, 27, 34].map((day): Row => [24 * day, reading(0.991, 20)])];

/** A gram of sucrose in each of 4 L makes 0.26 volumes. */
const primed = (massG: number): EventContent => ({
  kind: 'bottling',
  payload: {
    bottles: [{ sizeMl: 500, count: 8, kind: 'new beer', closure: 'crown cap' }],
    prime: { what: 'sucrose', name: 'sugar', massG, where: 'bulk', volumeL: 4, warmestC: 20 },
  },
});

describe('what is asked before it is written', () => {
  holdThresholds([
    ['SPOILS_ABOVE_PH', (ph) => asks(60, { kind: 'reading', payload: { ph } }, ...live), [3.8, ''], [3.81, /spoils easily/]],
    ['FEW_LIVE_BELOW_PH', (ph) => asks(1200, { kind: 'reading', payload: { ph } }, ...dry), [2.9, ''], [2.89, /lower than musts go/]],
    ['USUAL_TA_G_PER_L.low', (taGPerL) => asks(60, { kind: 'reading', payload: { taGPerL } }, ...live), [2, ''], [1.9, /is beyond/]],
    ['USUAL_TA_G_PER_L.high', (taGPerL) => asks(60, { kind: 'reading', payload: { taGPerL } }, ...live), [12, ''], [12.1, /is beyond/]],
    [
      'SMELLED_SO2_MG_PER_L',
      (freeSo2MgPerL) => asks(1200, { kind: 'reading', payload: { freeSo2MgPerL } }, ...dry),
      [60, ''],
      [61, /Most smell/],
    ],
    ['LITTLE_YEAST', (share) => asks(1, pitched(share * yeastToPitchG(volumeL, sg)), ...must), [0.51, ''], [0.49, /is little/]],
    ['WARM_COUNTS_H', (hours) => asks(1 + hours, pitched(5), ...must, [1, warm(39)]), [2.9, /yeast dies there/], [3.1, '']],
    ['MUST_TEMP_C.most', (c) => asks(2, pitched(5), ...must, [1, warm(c)]), [35, /above the/], [35.1, /yeast dies there/]],
    ['MUST_SULFITE_WAIT_H', (hours) => asks(hours, pitched(5), ...must, [0, sulfite]), [23.9, /before yeast bears it/], [24.1, '']],
    ['FIRST_AMMONIUM_H', (hours) => asks(1 + hours, dap(1), ...live), [5.9, /waking up/], [6.1, '']],
    [
      'AMMONIUM_CUTOFF_ABV',
      (reads) => asks(400, dap(0.5), ...live, [390, reading(reads, 20)]),
      [1.027, /of the sugar is gone/],
      [1.0175, /hardly taken up/],
    ],
    ['TOO_LATE_SHARE', (reads) => asks(400, organic(1), ...live, [390, reading(reads, 20)]), [1.0385, ''], [1.038, /of no use/]],
    ['TOO_MUCH_NITROGEN', (grams) => asks(30, organic(grams), ...live), [36, ''], [37, /A slip of the comma/]],
    ['the cap on ammonium', (gPerL) => asks(30, dap(gPerL * volumeL), ...live), [0.95, ''], [0.97, /At most/]],
    [
      'roomG < 0.05',
      (leftG) => asks(30, dap(1), ...live, [25, dap(0.96 * volumeL - leftG)]),
      [0.06, /At most/],
      [0.04, /the cap is reached/],
    ],
    ['SUDDEN_ACID_G_PER_L', (gPerL) => asks(60, berries((1000 * gPerL * volumeL) / 22), ...live), [0.98, ''], [1.02, /stop dead/]],
    ['TWICE_MS', (hours) => asks(840 + hours, sulfite, ...dry, [840, sulfite]), [0.98, /Twice/], [1.02, '']],
    ['BRIM_SLACK', (liters) => asks(60, into(liters), ...live), [4.03, ''], [4.05, /runs over/]],
    ['GLASS_BEARS_C', (apart) => asks(1200, core(40, 40 + apart), ...dry), [30, ''], [30.1, /glass may crack/]],
    ['HOLD_STOP_C', (c) => asks(1200, core(c), ...dry), [71, ''], [71.1, /the honey cooks/]],
    [
      'LEAST_ABV',
      (reads) => plainly(thinning(ledgerOf(...live, [200, reading(reads, 20)]), 1, START + 300 * HOUR_MS)!),
      [sg - 0.0035, /^1\.0\d\d becomes/],
      [sg - 0.0045, /^0\.\d % vol becomes/],
    ],
    ['LEAST_MADE', (grams) => asks(1200, primed(grams), ...dry), [2.4, ''], [2.2, /next to nothing/]],
  ]);
});
