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
import { glassAlarm, wantsFreshYeast } from '../glass/index.ts';
import { doubtsAbout, stateOf } from './index.ts';

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
const PITCH_SG = viewOf(ledgerOf(...must))!.sg;
const DRIEST_SG = sgAtShare(ledgerOf(...must, ...at(1.07, 5)), 1);
const bottles: EventContent = { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }] } };

const dry = [...must, ...at(0.991, 20, 27, 34)];
describe('a line through readings', () => {
  holdThresholds([
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
