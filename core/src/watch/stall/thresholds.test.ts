import { describe } from 'vitest';
import { DAY_MS, HOUR_MS } from '../../quantities/index.ts';
import { plainly } from '../../quantities/sentence.ts';
import { eventsAt, fold } from '../../record/index.ts';
import type { EventContent, Ledger } from '../../record/index.ts';
import { berries, honey, reading, water, yeast } from '../../testing/examples.ts';
import { point } from '../../testing/readingPoint.ts';
import { holdThresholds } from '../../testing/thresholds.ts';
import { CAUSES } from './causes/index.ts';
import { findingTold } from './causes/cause.ts';
import type { StallCauseId } from '../../record/index.ts';
import { curesFor } from './cures/index.ts';
import { cureUnderWay, warmedReadAgainH } from './cureUnderWay.ts';
import { stallEvidence } from './evidence.ts';
import type { StallEvidence } from './evidence.ts';
import { rankCauses } from './rank.ts';
import { isStand, standingOf } from './standing.ts';
import { restartPlan, starterPours } from './starter.ts';
import { stallVerdict } from './verdict.ts';

const START = Date.UTC(2026, 1, 2, 10);
type Row = [hour: number, content: EventContent];
/** Of an even-tempered yeast: 15 to 25 °C, 14 to 16 % vol, a floor of pH 3.1 or what its type says. */
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [1, yeast],
];
const ledgerOf = (...rows: Row[]): Ledger =>
  fold(
    eventsAt(
      START,
      rows.toSorted((a, b) => a[0] - b[0]),
    ),
  );
const evidenceOf = (now: number, ...rows: Row[]): StallEvidence => stallEvidence(ledgerOf(...rows), START + now * HOUR_MS, 1)!;
const STOOD = evidenceOf(
  15 * 24,
  ...must,
  ...([5, 8, 11, 14] as const).map((day, i): Row => [24 * day, reading([1.08, 1.06, 1.06, 1.06][i]!, 20)]),
);
const over = (more: Partial<StallEvidence>): StallEvidence => ({ ...STOOD, ...more });
const { yeast: TYPE } = STOOD;

/** What one thing weighs for a cause. */
const weight = (id: StallCauseId, more: Partial<StallEvidence>): number =>
  CAUSES.find((cause) => cause.id === id)!
    .weigh(over(more))
    .reduce((sum, each) => sum + each.weight, 0);
const kind = (more: Partial<StallEvidence>): string => stallVerdict(over(more)).kind;
const cures = (more: Partial<StallEvidence>): string[] => {
  const evidence = over(more);
  return curesFor(stallVerdict(evidence), evidence, rankCauses(evidence)).map(({ id }) => id);
};
const told = (id: string, more: Partial<StallEvidence>): string => {
  const evidence = over(more);
  const cure = curesFor(stallVerdict(evidence), evidence, rankCauses(evidence)).find((each) => each.id === id);
  return cure === undefined ? '' : plainly(cure.sentence);
};
const warmEnough = TYPE.tempC.low + 3;

describe('what a thing weighs', () => {
  holdThresholds([
    ['under >= 0.5', (c) => weight('cold', { tempC: TYPE.tempC.low - c }), [0.4, -4], [0.6, 2.5]],
    ['under >= 2', (c) => weight('cold', { tempC: TYPE.tempC.low - c }), [1.9, 2.5], [2.1, 4]],
    ['gassyDays >= 7', (days) => weight('gas', { gassyDays: days }), [6.9, -1], [7.1, 0.5]],
    ['gassyDays <= 3', (days) => weight('gas', { gassyDays: days }), [2.9, -3], [3.1, -1]],
    ['abv > 7', (abv) => weight('heat', { temps: [{ at: 0, tempC: TYPE.tempC.high + 5 }], abv }), [6.9, 3], [7.1, 4]],
    [
      'hottest <= yeast.tempC.high + 1',
      (c) => weight('heat', { temps: [{ at: 0, tempC: TYPE.tempC.high + c }], abv: 5 }),
      [0.9, -4],
      [1.1, 3],
    ],
    ['nitrogenShare < 0.4', (share) => weight('nitrogen', { nitrogenShare: share }), [0.39, 3.5], [0.41, 1.5]],
    ['nitrogenShare < 0.7', (share) => weight('nitrogen', { nitrogenShare: share }), [0.69, 1.5], [0.71, -0.5]],
    ['nitrogenShare < 0.85', (share) => weight('nitrogen', { nitrogenShare: share }), [0.84, -0.5], [0.86, -3.5]],
    ['SORBIC_STOPS_MG_PER_L', (mg) => weight('preservative', { sorbicMgPerL: mg }), [49, 1], [51, 4.5]],
    ['SO2_HINDERS_MG_PER_L', (mg) => weight('preservative', { sorbicMgPerL: 0, so2MgPerL: mg }), [59, -4], [61, 3.5]],
    ['shareGone < 0.15', (share) => weight('preservative', { hasJuice: true, shareGone: share }), [0.14, 3], [0.16, -2]],
    ['ph < yeast.phFloor + 0.02', (ph) => weight('sour', { ph: TYPE.phFloor + ph }), [0.019, 4], [0.021, 0.5]],
    ['ph < yeast.phFloor + 0.15', (ph) => weight('sour', { ph: TYPE.phFloor + ph }), [0.149, 0.5], [0.151, -4]],
    ['startSg < 1.118', (sg) => weight('strong start', { startSg: sg, shareGone: 0.6 }), [1.1179, -3], [1.1181, 1]],
    ['startSg > 1.13', (sg) => weight('strong start', { startSg: sg, shareGone: 0.6 }), [1.1299, 1], [1.1301, 2.5]],
    ['shareGone < 0.5', (share) => weight('strong start', { startSg: 1.125, shareGone: share }), [0.49, 1.5], [0.51, 1]],
    ['largestFallC >= 4', (c) => weight('swing', { largestFallC: c, tempC: warmEnough }), [3.9, -2], [4.1, 3]],
    ['abv >= low - 1', (abv) => weight('tolerance', { abv: TYPE.toleranceAbv.low - abv }), [0.9, 1.5], [1.1, -1]],
    ['abv >= low - 3', (abv) => weight('tolerance', { abv: TYPE.toleranceAbv.low - abv }), [2.9, -1], [3.1, -4]],
    ['STRONG', (points) => findingTold({ weight: points, sentence: [] }), [2.9, 'for it'], [3, 'strongly for it']],
    ['PLAIN', (points) => findingTold({ weight: -points, sentence: [] }), [0.9, 'a little against it'], [1, 'against it']],
    [
      'SETTLED',
      (answer) =>
        rankCauses(STOOD, { cold: answer === 1 }).find(({ cause }) => cause.id === 'cold')!.score -
        rankCauses(STOOD).find(({ cause }) => cause.id === 'cold')!.score,
      [0, -6],
      [1, 6],
    ],
    [
      'LEAST_TOLD_MG_PER_L',
      (mg) =>
        CAUSES.find(({ id }) => id === 'nitrogen')!
          .weigh(over({ volumeL: 1, nitrogenCame: { inMustMg: mg, toThirdMg: 0, toHalfMg: 0, lateMg: 0 } }))
          .map(({ sentence }) => plainly(sentence))[0]!
          .includes('in the must'),
      [0.9, false],
      [1.1, true],
    ],
  ]);
});

describe('what is in the record', () => {
  const stopped = (...rows: Row[]): StallEvidence =>
    evidenceOf(15 * 24, ...must, [8 * 24, reading(1.06, 20)], [11 * 24, reading(1.06, 20)], [14 * 24, reading(1.06, 20)], ...rows);
  const warm = (hour: number, tempC: number): Row => [hour, { kind: 'reading', payload: { tempC } }];
  const bare = (...rows: Row[]): StallEvidence =>
    evidenceOf(30 * 24, ...must, ...[20, 23, 26].map((day): Row => [24 * day, reading(1.06)]), ...rows);
  holdThresholds([
    ['BEFORE_STOP_H', (h) => stopped([8 * 24 - h, berries(100)]).addedBefore, [47.9, ['gooseberries']], [48.1, []]],
    ['stopAt - at >= -DAY_MS / 2', (h) => stopped([8 * 24 + h, honey(0.9)]).addedBefore, [11.9, ['linden']], [12.1, []]],
    ['LOOK_BACK_DAYS', (days) => bare(warm(24 * (20 - days), 30), warm(24 * (21 - days), 24)).largestFallC, [13.9, 6], [14.1, 0]],
    ['before.length < 2', (count) => bare(...[warm(24 * 18, 24), warm(24 * 19, 18)].slice(0, count)).largestFallC, [1, null], [2, 6]],
    ['to.at - from.at <= 3 * DAY_MS', (h) => stopped(warm(60, 24), warm(60 + h, 18)).largestFallC, [71.9, 6], [72.1, 0]],
    [
      'FRESH_H',
      (h) => stopped([14 * 24 + h, { kind: 'note', payload: { text: 'still', mark: 'quiet' } }], [14 * 24, reading(1.05, 20)]).leaksAtLid,
      [35.9, true],
      [36.1, false],
    ],
    [
      'PROVEN_FALL_SG',
      (down) =>
        stopped([14.9 * 24, reading(1.06 - down, 20)], [14.95 * 24, { kind: 'note', payload: { text: 'still', mark: 'quiet' } }])
          .leaksAtLid,
      [0.0049, false],
      [0.0051, true],
    ],
  ]);
});

describe('whether it stands', () => {
  const before = { startAt: 0, startSg: 1.1, endSg: 0.996, curedAt: null };
  const FELL = [2, 4, 6, 8].map((day) => point(day, 1.1 - 0.005 * day));
  const isHeld = (more: [day: number, sg: number][], curedDay: number | null = null): boolean =>
    standingOf(
      [...FELL, ...more.map(([day, sg]) => point(8 + day, sg))],
      { ...before, curedAt: curedDay === null ? null : (8 + curedDay) * DAY_MS },
      false,
    ).isHeld;
  const stand = (days: number, movedShare: number, hadBlow = false, hasBegun = true): boolean =>
    isStand({ days, movedShare, hasBegun }, hadBlow);
  const STILL: [number, number][] = [
    [1, 1.06],
    [2, 1.06],
    [4, 1.06],
  ];
  holdThresholds([
    ['STANDS.share', (share) => stand(3.5, share), [0.49, true], [0.51, false]],
    ['STANDS.days', (days) => stand(days, 0.45), [2.9, false], [3.1, true]],
    ['STANDS.soonShare', (share) => stand(2.5, share), [0.33, true], [0.34, false]],
    ['STANDS.soonDays', (days) => stand(days, 0.3), [1.9, false], [2.1, true]],
    ['STANDS.blowShare', (share) => stand(1.5, share, true), [0.59, true], [0.61, false]],
    ['STANDS.blowDays', (days) => stand(days, 0.55, true), [0.9, false], [1.1, true]],
    ['MOVES_AGAIN.onceSg', (down) => isHeld([...STILL, [5, 1.06 - down]]), [0.0078, true], [0.0082, false]],
    ['MOVES_AGAIN.curedSg', (down) => isHeld([...STILL, [5, 1.06 - down]], 4.5), [0.0048, true], [0.0052, false]],
    ['MOVES_AGAIN.twiceSg', (down) => isHeld([...STILL, [5, 1.06 - down], [5.2, 1.06 - down]]), [0.0038, true], [0.0042, false]],
    ['MOVES_AGAIN.agreeSg', (apart) => isHeld([...STILL, [5, 1.0555], [5.2, 1.0555 - apart]]), [0.0022, false], [0.0024, false]],
  ]);
});

describe('the verdict', () => {
  const above = STOOD.endHighSg;
  holdThresholds([
    ['STANDS_DAYS', (days) => kind({ stands: false, hasCrept: false, tempC: null, stillDays: days }), [1.9, 'moving'], [2.1, 'suspect']],
    [
      'BEGUN_SG',
      (sg) => kind({ startSg: 1.06 + sg, hoursSincePitch: 40, stillDays: 1, stands: false, readAfterH: 30 }),
      [0.0029, 'lag'],
      [0.0031, 'moving'],
    ],
    [
      'LAG_H',
      (h) => kind({ startSg: 1.061, hoursSincePitch: h, stillDays: 1, stands: false, readAfterH: 30 }),
      [71.9, 'lag'],
      [72.1, 'moving'],
    ],
    [
      'ABV_ERROR',
      (less) => kind({ abv: 17, abvBeforeSugar: 17 + less, stillDays: 8, tempC: warmEnough }),
      [0.19, 'tolerance'],
      [0.21, 'stuck'],
    ],
    ['THERMOMETER_C', (c) => kind({ tempC: TYPE.tempC.low + c, stillDays: 3 }), [0.4, 'slow'], [0.6, 'stuck']],
    ['COOL_C', (c) => kind({ tempC: TYPE.tempC.low - c, stillDays: 3 }), [2.9, 'slow'], [3.1, 'stuck']],
    ['COOL_DAYS', (days) => kind({ tempC: TYPE.tempC.low, stillDays: days }), [6.9, 'slow'], [7.1, 'stuck']],
    [
      'hoursSincePitch < 3 * LAG_H',
      (h) => kind({ tempC: TYPE.tempC.low, stillDays: 1, startSg: 1.061, hoursSincePitch: h, readAfterH: h }),
      [215, 'slow'],
      [217, 'stuck'],
    ],
    [
      'abv >= yeast.toleranceAbv.low - 1',
      (abv) => kind({ tempC: null, stillDays: 3, abv: TYPE.toleranceAbv.low - abv }),
      [0.9, 'slow'],
      [1.1, 'stuck'],
    ],
    ['MALT_LEAVES_SG', (up) => kind({ maltShare: 0.2, last: point(14, above + up) }), [0.0119, 'malt'], [0.0121, 'stuck']],
    [
      'MALT_SHARE',
      (share) => kind({ maltShare: share, last: point(14, above + 0.01), sgNow: above + 0.01 }),
      [0.079, 'stuck'],
      [0.081, 'malt'],
    ],
    ['EQUAL_SG', (up) => kind({ sgNow: above + up }), [0.0019, 'near its end'], [0.0021, 'stuck']],
  ]);
});

describe('cures', () => {
  const fresh = { tempC: warmEnough, hoursSinceReading: 10 };
  holdThresholds([
    ['STALE_H', (h) => cures({ ...fresh, hoursSinceReading: h })[0] === 'measure', [35.9, false], [36.1, true]],
    [
      'LOOKS_DRY_SG',
      (off) => told('measure', { ...fresh, dryByRefractometerSg: STOOD.last!.sg + off }),
      [0.0029, /refractometer/],
      [0.0031, ''],
    ],
    ['now >= yeast.tempC.low + 1', (c) => cures({ ...fresh, tempC: TYPE.tempC.low + c }).includes('warm'), [0.9, true], [1.1, false]],
    [
      'HULLS_G_PER_L',
      (liters) => told('feed', { ...fresh, shareGone: 0.6, volumeL: liters, nitrogenShare: 0.2 }),
      [4, /stir in 1\.0 g of yeast hulls/],
      [8, /stir in 2\.0 g of yeast hulls/],
    ],
    ['ENOUGH_NITROGEN', (share) => cures({ ...fresh, shareGone: 0.2, nitrogenShare: share }).includes('feed'), [0.89, true], [0.91, false]],
    [
      'KEEPS_ABV',
      (abv) => told('give up', { ...fresh, sorbicMgPerL: 100, abv }),
      [7.9, /too weak to keep/],
      [8.1, /strong enough to keep/],
    ],
    [
      'GOOD_ENOUGH_ABV',
      (less) => told('leave', { ...fresh, abv: TYPE.toleranceAbv.low - less }),
      [1.9, /as a sweet mead/],
      [2.1, /as it is/],
    ],
    [
      'AIM_PH.least',
      (floor) => told('raise pH', { ...fresh, ph: 2.8, yeast: { ...TYPE, phFloor: floor } }),
      [3, /toward 3\.30/],
      [3.2, /toward 3\.45/],
    ],
    [
      'AIM_PH.aboveFloor',
      (floor) => told('raise pH', { ...fresh, ph: 2.8, yeast: { ...TYPE, phFloor: floor } }),
      [3.1, /toward 3\.35/],
      [3.2, /toward 3\.45/],
    ],
    ['READ_AGAIN_H', (c) => warmedReadAgainH(15, 15 + c), [1, 48], [9, 72]],
    [
      'EARLY_H',
      (h) => cureUnderWay(ledgerOf(...must, [240, { kind: 'cure', payload: { cure: 'rouse' } }], [240 + h, reading(1.05, 20)])) === null,
      [41.9, false],
      [42.1, true],
    ],
    ['FIRST_PART', (liters) => restartPlan(liters, 1.05)[0]!.starterL, [4, 0.25], [16, 1]],
    ['YEAST_G_PER_L', (liters) => (starterPours(liters)[1] as { payload: { massG: number } }).payload.massG, [1, 2], [5, 5]],
    ['LEAST_YEAST_G', (liters) => (starterPours(liters)[1] as { payload: { massG: number } }).payload.massG, [1.5, 2], [2.5, 2.5]],
    ['STARTER_NUTRIENT_G_PER_L', (liters) => (starterPours(liters)[2] as { payload: { massG: number } }).payload.massG, [8, 1], [16, 2]],
    [
      'LOOK_AGAIN_H.measure',
      (h) =>
        curesFor(stallVerdict(over({ last: null })), over({ last: null }), [])
          .map(({ readAgainH }) => readAgainH)
          .includes(h),
      [23, false],
      [24, true],
    ],
    ['HOPELESS_SCORE', (more) => cures({ ...fresh, sorbicMgPerL: more }).includes('give up'), [49, false], [51, true]],
  ]);
});
