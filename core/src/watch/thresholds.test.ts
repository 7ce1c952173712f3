import { describe } from 'vitest';
import { HOUR_MS, DAY_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { eventsAt, fold, sgAtShare, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { point } from '../testing/readingPoint.ts';
import { courseOf, feedingPlanOf } from '../feed/index.ts';
import { EXAMPLE_PRACTICE, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { readingGapH } from './readingGap.ts';
import { lineBut, levelStretches } from './line.ts';
import { stillnessOf } from './stillness.ts';
import { doubtsAbout, expectedEnd, finishOf, glassAlarm, stateOf, wantsFreshYeast, whyNotBottle, whyNotPrime } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
type Row = readonly [day: number, content: EventContent];
const at = (sg: number, ...days: number[]): Row[] => days.map((day) => [day, reading(sg, 20)]);
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [0.04, yeast],
];
const ledgerOf = (...rows: Row[]): Ledger =>
  fold(
    eventsAt(
      START,
      rows.map(([day, content]) => [24 * day, content] as [number, EventContent]).toSorted((a, b) => a[0] - b[0]),
    ),
  );
const said = (sentence: Parameters<typeof plainly>[0] | null): string => (sentence === null ? '' : plainly(sentence));
const why = (day: number, ...rows: Row[]): string => said(whyNotBottle(ledgerOf(...rows), START + day * DAY_MS));
const sulfite = (massG: number): EventContent => ({ kind: 'sulfite', payload: { salt: 'potassium', massG } });
const sorbate = (massG: number): EventContent => ({ kind: 'sorbate', payload: { massG } });
const powders = (day: number, sulfiteG = 0.5, sorbateG = 1): Row[] => [
  [day, sulfite(sulfiteG)],
  [day, sorbate(sorbateG)],
];
const heated = (day: number): Row => [day, { kind: 'heat', payload: { tempC: 65, minutes: 30 } }];
const word = (day: number): Row => [day, { kind: 'staysHere', payload: {} }];
const malt = (massG: number): Row => [
  0,
  {
    kind: 'ingredient',
    payload: {
      name: 'pale malt',
      family: 'malt',
      makes: 'malt',
      massG,
      composition: { sugar: 0.62, unfermentable: 0.34, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
      sugarSpread: 0.1,
    },
  },
];
const PITCH_SG = viewOf(ledgerOf(...must))!.sg;
const DRIEST_SG = sgAtShare(ledgerOf(...must, ...at(1.07, 5)), 1);
const bottles: EventContent = { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }] } };

const dry = [...must, ...at(0.991, 20, 27, 34)];
const stable = [...dry, ...powders(36), ...at(0.991, 38)];
const honeyed: Row[] = [...stable, [39, honey(200)]];
const MADE_SG = viewOf(ledgerOf(...honeyed))!.sg;
const LOW_SG = expectedEnd(ledgerOf(...must, ...at(0.995, 20)))!.sg.low;
/** Proven still, and higher than dry glass may be. */
const level = [...must, ...at(LOW_SG + 0.0055, 20, 27, 34)];
const LEVEL_SG = LOW_SG + 0.0055;
const HIGH_SG = expectedEnd(ledgerOf(...must, ...at(0.995, 20)))!.sg.high;

describe('glass', () => {
  holdThresholds([
    ['WAIT_H', (h) => why(40, ...level, ...powders(36), ...at(LEVEL_SG, 36 + h / 24)), [23.9, /read the gravity once more/], [24.1, '']],
    ['VERIFY_H', (h) => why(43, ...honeyed, ...at(MADE_SG, 39.01, 39 + h / 24)), [47.9, /One reading since the honey/], [48.1, '']],
    ['APART_H', (h) => why(47, ...honeyed, ...at(MADE_SG, 44, 44 + h / 24)), [23.9, /One reading since the honey/], [24.1, '']],
    ['HONEY_DOUBT_SG', (down) => why(43, ...honeyed, ...at(MADE_SG - down, 39.1, 41.5)), [0.0039, ''], [0.0041, /below the/]],
    ['DOUBTED_APART_H', (h) => why(48, ...honeyed, ...at(MADE_SG - 0.005, 39.1, 39.1 + h / 24)), [167.9, /below the/], [168.1, '']],
    ['EQUAL_SG', (down) => why(43, ...honeyed, ...at(MADE_SG, 39.1), ...at(MADE_SG - down, 41.5)), [0.0019, ''], [0.0021, /fallen since/]],
    ['MAY_STILL_FALL_SG', (up) => why(35, ...must, ...at(LOW_SG + up, 20, 27, 34)), [0.0039, ''], [0.0041, /may end/]],
    [
      '1000 * (sg - (end?.sg.low ?? sg))',
      (up) => why(35, ...must, ...at(LOW_SG + up, 20, 27, 34)),
      [0.0054, /may end 5 points lower/],
      [0.0066, /may end 7 points lower/],
    ],
    ['DRY_BELOW_SG', (sg) => why(50, ...must, ...at(sg, 20, 34, 48), word(21)), [0.9999, ''], [1.0001, /stopped is not stable/]],
    ['LONG_STILL_DAYS', (days) => why(70, ...must, ...at(0.9965, 20, 34, 20 + days)), [27.7, /may end/], [27.8, '']],
    [
      'HEAT_REST_H',
      (h) => why(50, ...level, heated(40), ...at(LEVEL_SG, 40 + h / 24)),
      [11.9, /It was heated/],
      [12.1, /One reading since the heat/],
    ],
    [
      'KILLED_STILL_DAYS',
      (days) => why(60, ...must, ...at(1.05, 8), heated(9), ...at(1.05, 10, 10 + days)),
      [6.9, /still worked when it was heated/],
      [7.1, ''],
    ],
  ]);
});

describe('finished', () => {
  const state = (...rows: Row[]): string => finishOf(ledgerOf(...rows)).state;
  /** A weak must, whose end is known well: sugar enough is left where it rests little above it. */
  const resting = (sg: number, ...days: number[]): string =>
    state([0, honey(700)], [0, water(4)], [0.04, yeast], ...at(sg, ...days), word(days[1]!));
  holdThresholds([
    [
      'STAYS.days',
      (days) => state(...must, ...at(1.02, 20, 26, 20 + days), ...powders(20.5), word(21)),
      [13.7, 'waiting'],
      [13.8, 'finished'],
    ],
    ['STAYS.aliveDays', (days) => resting(1.002, 20, 30, 20 + days), [27.7, 'waiting'], [27.8, 'finished']],
    [
      'STAYS.looks',
      (looks) => state(...must, ...at(1.02, ...[20, 34, 48].slice(0, looks)), ...powders(20.5), word(21)),
      [2, 'waiting'],
      [3, 'finished'],
    ],
    ['MALT_SHARE', (massG) => why(60, ...must, malt(massG), ...at(1.01, 20, 34, 48), word(21)), [100, /stopped is not stable/], [125, '']],
    ['MALT_LEAVES_SG', (up) => maltTold(up), [0.0115, ''], [0.0125, /stopped is not stable/]],
    ['EQUAL_SG', (up) => state(...must, ...at(HIGH_SG + up, 20, 27, 34)), [0.0019, 'finished'], [0.0021, 'moving']],
  ]);
  function maltTold(up: number): string {
    const rows = (sg: number): Row[] => [...must, malt(400), ...at(sg, 20, 34, 48), word(21)];
    let { high } = expectedEnd(ledgerOf(...rows(1.01)))!.sg;
    for (let i = 0; i < 4; i++) ({ high } = expectedEnd(ledgerOf(...rows(high + up)))!.sg);
    return why(60, ...rows(high + up));
  }
});

describe('a sugar that living yeast could still eat', () => {
  /** At 1.0022 it holds 9.8 g/L more than its end leaves, at 1.0024 it holds 10.2. */
  const waits = (sg: number): string =>
    finishOf(ledgerOf([0, honey(350)], [0, water(4)], [0.04, yeast], ...at(sg, 20, 27, 36), word(21))).state;
  holdThresholds([['MUCH_G_PER_L', waits, [1.0022, 'finished'], [1.0024, 'waiting']]]);
});

describe('stillness', () => {
  const proven = (...points: [day: number, sg: number][]): boolean => stillnessOf(points.map(([day, sg]) => point(day, sg))).isProven;
  holdThresholds([
    ['STILL.fallSgPerWeek', (fall) => proven([0, 1], [7, 1 - fall], [14, 1 - 2 * fall]), [0.00099, true], [0.00101, false]],
    ['STILL.twoDays', (days) => proven([0, 1], [days, 1]), [13.7, false], [13.8, true]],
    ['STILL.threeDays', (days) => proven([0, 1], [3.2, 1], [days, 1]), [6.7, false], [6.8, true]],
    ['STILL.apartDays', (days) => proven([0, 1], [days, 1], [8, 1]), [2.7, false], [2.8, true]],
    ['SLACK_DAYS', (early) => proven([0, 1], [14 - early, 1]), [0.24, true], [0.26, false]],
    [
      'SLIP.sds',
      (off) => lineBut([0, 5, 10].map((day) => point(day, 1 + (day === 5 ? off : 0)))) !== null,
      [0.0057, true],
      [0.0061, false],
    ],
    [
      'SLIP.among',
      (count) => lineBut(Array.from({ length: count }, (_, i) => point(5 * i, i === 1 ? 1.01 : 1))) !== null,
      [3, false],
      [4, true],
    ],
    ['LEVEL_SDS', (fall) => levelStretches([point(0, 1 + fall), point(10, 1)])[0]!.from, [0.0043, 0], [0.0045, 1]],
    ['MOST_READINGS', (count) => levelStretches(Array.from({ length: count }, (_, i) => point(i, 1)))[0]!.from, [60, 0], [61, 1]],
  ]);
});

describe('doubts about a reading', () => {
  const live = [...must, ...at(1.07, 5)];
  const doubts = (day: number, payload: { sg?: number; ph?: number }, ...rows: Row[]): string =>
    doubtsAbout(ledgerOf(...live, ...rows), { tempC: 20, calibrationC: 20, ...payload }, START + day * DAY_MS)
      .map((each) => plainly(each))
      .join(' ');
  holdThresholds([
    ['BEYOND_ERRORS', (up) => doubts(6, { sg: 1.07 + up }), [0.0042, ''], [0.0043, /Up 4 points/]],
    ['FASTEST_SG_PER_DAY', (hours) => doubts(5 + hours / 24, { sg: 1.05 }), [11.9, /faster than musts fall/], [12.1, '']],
    ['NEVER_ASKED_SG', (down) => doubts(5.1, { sg: 1.07 - down }), [0.0149, ''], [0.0151, /faster than musts fall/]],
    ['BELOW_DRY_SG', (down) => doubts(30, { sg: DRIEST_SG - down }), [0.0049, ''], [0.0051, /lower is a slip/]],
    [
      'PH_JUMP',
      (jump) => doubts(6, { ph: 3.5 - jump }, [5, { kind: 'reading', payload: { ph: 3.5 } }]),
      [0.49, ''],
      [0.51, /agree with its buffers/],
    ],
    [
      'PH_JUMP_DAYS',
      (days) => doubts(5 + days, { ph: 2.9 }, [5, { kind: 'reading', payload: { ph: 3.5 } }]),
      [2.9, /agree with its buffers/],
      [3.1, ''],
    ],
    ['Math.abs(same.sg - read.sg) < 5e-4', (off) => doubts(5, { sg: 1.07 + off }), [0.0004, /The same gravity/], [0.0006, /Both\?/]],
  ]);
});

describe('gas and what stands', () => {
  const limit = (massG: number): Row[] => [
    [0, honey(massG)],
    [0, water(4)],
    [0.04, yeast],
  ];
  const fresh = (day: number, rows: Row[] = dry): string => said(wantsFreshYeast(ledgerOf(...rows), START + day * DAY_MS));
  const phase = (hours: number, ...rows: Row[]): string => stateOf(ledgerOf(...rows), START + hours * HOUR_MS).phase;
  const opened = (down: number): string => said(glassAlarm(ledgerOf(...dry, [36, bottles], ...at(0.991 - down, 60))));
  holdThresholds([
    ['OLD_DAYS', (days) => fresh(0.04 + days), [179.9, ''], [180.1, /yeast is old/]],
    [
      'DRY_BELOW_SG in gas',
      (sg) => said(whyNotPrime(ledgerOf([0, honey(350)], [0, water(4)], [0.04, yeast], ...at(sg, 20, 27, 34)))),
      [0.9989, ''],
      [1.0001, /It is sweet|not proven/],
    ],
    ['MOVED_SG', (down) => phase(60, ...limit(1350), [2, reading(PITCH_SG - down, 20)]), [0.0029, 'lag'], [0.0031, 'active']],
    [
      'UNSEEN_H',
      (hours) => plainly(stateOf(ledgerOf(...must, ...at(1.09, 2), ...at(1.07, 4)), START + (96 + hours) * HOUR_MS).sentence),
      [167.9, /Falling/],
      [168.1, /nobody has looked since/],
    ],
    ['EQUAL_SG in bottles', opened, [0.0019, ''], [0.0021, /less than when it was bottled/]],
  ]);
});

describe('when to read it again', () => {
  const gap = (...more: Happening[]): number => {
    const ledger = exampleBatch('allround', ...more);
    return readingGapH(courseOf(feedingPlanOf(ledger, EXAMPLE_PRACTICE)!, ledger));
  };
  const fast: Happening[] = [
    [24, reading(1.085, 20)],
    [48, reading(1.05, 20)],
  ];
  const slow: Happening[] = [
    [100, reading(1.1, 20)],
    [300, reading(1.085, 20)],
    [600, reading(1.07, 20)],
  ];
  holdThresholds([
    ['GAP_H', (pace) => gap(...(pace === 0 ? slow : fast)), [0, 168], [1, 36]],
    ['FIRST_GAP_H', (isRead) => gap(...(isRead === 0 ? [] : fast)), [0, 60], [1, 36]],
  ]);
});
