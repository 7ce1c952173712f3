import { describe } from 'vitest';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { requireVolume } from './believed.ts';
import { checkEvents } from '../check/index.ts';
import { HOUR_MS } from '../quantities/index.ts';
import { guardNeeded } from './guard.ts';
import { eventsAt, fold, mayBeSo, viewOf } from './index.ts';
import type { EventContent, Ledger } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
type Row = [hour: number, content: EventContent];
const ledgerOf = (...rows: Row[]): Ledger =>
  fold(
    eventsAt(
      START,
      rows.toSorted((a, b) => a[0] - b[0]),
    ),
  );
const poured: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
];
const must: Row[] = [...poured, [1, yeast]];
const dry: Row[] = [...must, ...[20, 27, 34].map((day): Row => [24 * day, reading(0.991, 20)])];
const { volumeL } = viewOf(ledgerOf(...dry))!;
const sulfite = (massG: number): EventContent => ({ kind: 'sulfite', payload: { salt: 'potassium', massG } });
const sorbate = (massG: number): EventContent => ({ kind: 'sorbate', payload: { massG } });
const ph = (value: number): Row => [35 * 24, { kind: 'reading', payload: { ph: value } }];
const PLENTY_G = 3;
const isGuarded = (ledger: Ledger): boolean => ledger.history.guarded !== null;

/**
 * Sulfite that such a mead needs at pH 3.4, by hand: 0.5 mg/L molecular × (1 + 10^(3.4 − 1.81)) = 19.95 mg/L free, ÷ 0.85 for what binds at
 * least = 23.5 mg/L; ÷ 0.5763 is 40.7 mg of the salt a liter.
 */
const SALT_G = 0.0407 * volumeL;
/** Sorbic acid at 12.8 % vol by Peynaud: 79.5 mg/L, 106.5 mg of the salt a liter. */
const SORBATE_G = 0.1065 * volumeL;
const dosed = (share: number, ...more: Row[]): Ledger =>
  ledgerOf(...dry, ph(3.4), [864, sulfite(share * SALT_G)], [864, sorbate(PLENTY_G)], ...more);

describe('what guards', () => {
  holdThresholds([
    ['GUARD.opensAt', (share) => isGuarded(dosed(share)), [0.74, false], [0.76, true]],
    [
      'GUARD.opensAt of sorbate',
      (share) => isGuarded(ledgerOf(...dry, ph(3.4), [864, sulfite(PLENTY_G)], [864, sorbate(share * SORBATE_G)])),
      [0.72, false],
      [0.78, true],
    ],
    ['GUARD.holdsTo', (thinnedTo) => isGuarded(dosed(1, [900, water(volumeL / thinnedTo - volumeL)])), [0.58, false], [0.62, true]],
    ['PH_UNKNOWN', (value) => guardNeeded(12, null).so2MgPerL > guardNeeded(12, value).so2MgPerL, [3.79, true], [3.81, false]],
    ['STRONGEST_ABV', (abv) => guardNeeded(abv, 3.4).sorbicMgPerL, [24, 50], [30, 50]],
    [
      'LEAST_SUGAR_G',
      (grams) => isGuarded(ledgerOf(...dry, [864, { kind: 'heat', payload: { tempC: 66, minutes: 20 } }], [900, honey(grams)])),
      [1.2, true],
      [1.3, false],
    ],
  ]);
});

describe('what a reading is taken for', () => {
  const verdict = (ledger: Ledger): string => ledger.history.readings.at(-1)!.verdict;
  const MUST_SG = viewOf(ledgerOf(...poured))!.sg;
  const later = (sg: number, ...more: Row[]): string =>
    verdict(ledgerOf(...must, [120, reading(1.06, 20)], ...more, [240, reading(sg, 20)]));
  holdThresholds([
    ['NOISE_ABOVE_SG', (up) => later(1.06 + up), [0.0039, 'follows'], [0.0041, 'unexplained']],
    [
      'MUST_AGREES_SG',
      (up) => verdict(ledgerOf(...poured, [0.5, reading(MUST_SG + up, 20)])),
      [0.0079, 'follows'],
      [0.0081, 'unexplained'],
    ],
    ['AGREE_SG', (apart) => later(1.08, [200, reading(1.08 + apart, 20)]), [0.0029, 'follows'], [0.0031, 'unexplained']],
    [
      'expected.sg < 1.005',
      (grams) =>
        verdict(ledgerOf([0, honey(grams)], [0, water(4)], [0.5, reading(viewOf(ledgerOf([0, honey(grams)], [0, water(4)]))!.sg, 20)])),
      [60, 'unexplained'],
      [75, 'follows'],
    ],
  ]);
});

describe('what can be believed', () => {
  const ledger = ledgerOf(...poured);
  const thereL = viewOf(ledger)!.volumeL;
  const isBelieved = (wantedL: number, slack?: number): boolean => {
    try {
      requireVolume(wantedL, ledger, 'taken', slack);
      return true;
    } catch {
      return false;
    }
  };
  holdThresholds([['UNSEEN_L', (moreL) => isBelieved(thereL + moreL), [0.0049, true], [0.0051, false]]]);
});

describe('what is made of entries', () => {
  const jump = (c: number, hours: number): boolean =>
    ledgerOf(...must, [48, { kind: 'reading', payload: { tempC: 18 } }], [48 + hours, reading(1.08, 18 + c)]).history.temps.at(-1)!.tempC >
    18;
  const mayBe = (up: number): boolean => mayBeSo({ verdict: 'unexplained', sg: 1.05 + up, expectedSg: 1.05 });
  const each = (allG: number): boolean => {
    const event: EventContent = {
      kind: 'bottling',
      payload: {
        bottles: [{ sizeMl: 500, count: 8, kind: 'new beer', closure: 'crown cap', primeG: 3 }],
        prime: { what: 'sucrose', name: 'sugar', massG: allG, where: 'each', volumeL: 4, warmestC: 20 },
      },
    };
    try {
      checkEvents(eventsAt(START, dry), [{ ...event, id: 'new', happenedAt: START + 900 * HOUR_MS }], START + 901 * HOUR_MS);
      return true;
    } catch {
      return false;
    }
  };
  const mayRack = (share: number): boolean => {
    const event: EventContent = { kind: 'rack', payload: { volumeL: share * volumeL } };
    try {
      checkEvents(eventsAt(START, dry), [{ ...event, id: 'new', happenedAt: START + 900 * HOUR_MS }], START + 901 * HOUR_MS);
      return true;
    } catch {
      return false;
    }
  };
  holdThresholds([
    ['JUMP.byC', (c) => jump(c, 10), [7.9, true], [8.1, false]],
    ['JUMP.withinH', (hours) => jump(9, hours), [47.9, false], [48.1, true]],
    ['SCATTER_SG', mayBe, [0.0059, true], [0.0061, false]],
    ['EACH_SLACK', each, [27, true], [27.5, false]],
    ['VOLUME_SLACK', (share) => mayRack(share), [1.09, true], [1.11, false]],
  ]);
});
