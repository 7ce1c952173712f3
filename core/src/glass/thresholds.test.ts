import { describe } from 'vitest';
import { fold, likelyEndSg } from '../record/index.ts';
import { dryMust, judgedOn, planOf, recordOf } from '../testing/glassCases.ts';
import type { CaseEvent } from '../testing/glassCases.ts';
import { holdThresholds } from '../testing/thresholds.ts';

/* The numbers of the judgement, each with a record just below it and one just above. */

type Row = CaseEvent | readonly [day: number, sg: number];
const H = 1 / 24;
const verdict = (day: number, ...rows: Row[]): string => judgedOn(dryMust(...rows), day).verdict;
const END = likelyEndSg(fold(recordOf(dryMust([20, 1.01], [30, 0.9925]))))!;
const up = (points: number): number => END + points / 1000;
/** On its way down, then what is given. */
const falling: Row[] = [
  [10, 1.04],
  [20, 1.01],
];
const levelAt = (sg: number, ...days: number[]): Row[] => [...falling, ...days.map((day): Row => [day, sg])];
const sulfite = (day: number, massG = 0.66): Row => ({ day, what: 'sulfite', massG });
const sorbate = (day: number, massG = 1.27): Row => ({ day, what: 'sorbate', massG });
const honey = (day: number, massG = 180): Row => ({ day, what: 'honey', massG });
const heat = (day: number, coreC = 65, minutes = 20): Row => ({ day, what: 'heat', coreC, minutes });

describe('a level', () => {
  const near = 0.0028;
  holdThresholds([
    ['EQUAL_SG', (down) => verdict(75, ...levelAt(END + down, 38), [74, END]), [0.0019, 'open'], [0.0022, 'shut']],
    ['LEVEL.lineSg', (fall) => verdict(43, ...levelAt(END + near + fall, 30, 34), [38, END + near]), [0.0009, 'open'], [0.0011, 'shut']],
    ['LEVEL.aWeekSg', (fall) => verdict(60, ...levelAt(END + near + fall, 30), [51, END + near]), [0.0014, 'open'], [0.0016, 'shut']],
    ['LEVEL.atEndSg', (fall) => verdict(42, ...levelAt(END + fall, 30), [37.5, END]), [0.0019, 'open'], [0.0021, 'shut']],
    ['CANNOT_RISE_SG', (rise) => verdict(45, ...levelAt(END, 30, 40), [43, END + rise]), [0.0039, 'shut'], [0.0042, 'open']],
    ['LOOK_H', (h) => verdict(40, ...levelAt(up(2.8), 30, 30 + h * H, 38)), [47.9, 'ask'], [48.1, 'open']],
    ['GRACE_H', (early) => verdict(40, ...levelAt(up(0.5), 30, 37 - early * H)), [0.9, 'open'], [1.1, 'shut']],
    ['POINTS.atEnd', (m) => verdict(40, ...levelAt(up(m), 30, 38)), [0.9, 'open'], [1.1, 'ask']],
    ['POINTS.near', (m) => verdict(50, ...levelAt(up(m), 30, 45)), [3.8, 'open'], [4.2, 'shut']],
    ['POINTS.restsDry', (m) => verdict(60, ...levelAt(up(m), 30, 45, 59)), [7.7, 'ask'], [8.3, 'shut']],
    ['STILL.atEnd.days', (days) => verdict(45, ...levelAt(up(0.5), 30, 30 + days)), [6.9, 'shut'], [7, 'open']],
    ['STILL.atEnd.looks', (looks) => verdict(45, ...levelAt(up(0.5), ...[30, 38].slice(0, looks))), [1, 'shut'], [2, 'open']],
    ['STILL.nearTwo.days', (days) => verdict(45, ...levelAt(up(2.8), 30, 30 + days)), [13.9, 'ask'], [14, 'open']],
    ['STILL.nearTwo.looks', (looks) => verdict(46, ...levelAt(up(2.8), ...[30, 45].slice(0, looks))), [1, 'shut'], [2, 'open']],
    ['STILL.nearThree.days', (days) => verdict(45, ...levelAt(up(2.8), 30, 32.5, 30 + days)), [6.9, 'shut'], [7, 'open']],
    ['STILL.nearThree.looks', (looks) => verdict(45, ...levelAt(up(2.8), ...[30, 38, 34].slice(0, looks))), [2, 'ask'], [3, 'open']],
    ['STILL.long.days', (days) => verdict(70, ...levelAt(up(5.5), 30, 45, 30 + days)), [27.9, 'shut'], [28, 'ask']],
    ['STILL.long.looks', (looks) => verdict(70, ...levelAt(up(5.5), ...[30, 59, 45].slice(0, looks))), [2, 'shut'], [3, 'ask']],
    ['COLD_BELOW_LOW_C', (toC) => verdict(45, ...levelAt(up(0.5), 30, 38), { day: 25, what: 'move', toC }), [12.9, 'shut'], [13.1, 'open']],
    [
      'POINTS.atEnd in the cold',
      (m) => verdict(50, ...levelAt(up(m), 30, 45), { day: 25, what: 'move', toC: 14 }),
      [0.8, 'open'],
      [1.2, 'shut'],
    ],
    ['BELOW_WATER_SG', (sg) => by(12, 60, ...levelAt(sg, 30, 45, 59)), [0.9999, 'ask'], [1.0001, 'shut']],
    [
      'NO_SUGAR_G_PER_L',
      (massG) => verdict(48, ...levelAt(up(0.5), 30, 40), { day: 45, what: 'sugar', massG, sugar: 1, unfermentable: 0 }),
      [2.1, 'open'],
      [2.6, 'shut'],
    ],
    ['NO_SHIFT_SG', (massG) => verdict(48, ...levelAt(up(0.5), 30, 40), { day: 45, what: 'erythritol', massG }), [5, 'open'], [9, 'shut']],
    ['DRY_WITHIN_G_PER_L', (sg) => by(11, 38, ...levelAt(sg, 30, 37.5)), [0.9956, 'open'], [0.996, 'shut']],
    ['AT_LIMIT_ABV.within', (toleranceAbv) => by(toleranceAbv, 60, ...levelAt(1.0005, 30, 36, 59)), [11.26, 'ask'], [11.3, 'shut']],
    [
      'AT_LIMIT_ABV.thinned',
      (volumeL) => by(11, 62, ...levelAt(1.0005, 30), { day: 31, what: 'water', volumeL }, ...levelAt(1.0004, 32, 46, 61)),
      [0.45, 'ask'],
      [0.65, 'shut'],
    ],
  ]);

  function by(toleranceAbv: number, day: number, ...rows: Row[]): string {
    return judgedOn({ ...dryMust(...rows), yeast: { toleranceAbv, lowC: 15, highC: 25 } }, day).verdict;
  }
});

describe('guard', () => {
  /** Rests sweet and still for two weeks. */
  const sweet = levelAt(1.0053, 25, 32, 40);
  const dosed = [sulfite(40.01), sorbate(40.01)];
  const still = levelAt(0.9917, 24, 32, 40);
  const made = (more: Row[]): number => fold(recordOf(dryMust(...more))).history.turns.at(-1)!.sgAfter;
  const honeyed = [...still, ...dosed, honey(41)];
  const MADE = made(honeyed);
  const read = (...rows: Row[]): string => verdict(60, ...honeyed, ...rows);
  holdThresholds([
    ['GUARD_WAIT_H.dose', (h) => read([41 + h * H, MADE]), [23.9, 'shut'], [24.1, 'open']],
    ['GUARD_WAIT_H.heat', (h) => verdict(60, ...sweet, heat(41), [41 + h * H, 1.0053]), [11.9, 'shut'], [12.1, 'open']],
    ['GUARD_READ.asExpectedSg', (off) => read([43, MADE - off]), [0.0019, 'open'], [0.0021, 'shut']],
    ['GUARD_READ.twiceH', (h) => read([42, MADE + 0.003], [42 + h * H, MADE + 0.003]), [47.9, 'shut'], [48.1, 'open']],
    ['GUARD_READ.secondLowerSg', (down) => read([42, MADE - 0.003], [45, MADE - 0.003 - down]), [0.0004, 'open'], [0.0006, 'shut']],
    ['GUARD_READ.farBelowSg', (down) => read([42, MADE - down], [45, MADE - down]), [0.0039, 'open'], [0.0041, 'shut']],
    ['GUARD_READ.farBelowH', (h) => read([42, MADE - 0.005], [42 + h * H, MADE - 0.005]), [167.9, 'shut'], [168.1, 'open']],
    [
      'HONEY_BEFORE_GUARD_H',
      (h) => verdict(60, ...still, honey(41), sulfite(41 + h * H), sorbate(41 + h * H), [44, MADE]),
      [23.9, 'open'],
      [24.2, 'shut'],
    ],
    [
      'HEATED_LIVE_DAYS',
      (days) => verdict(60, ...levelAt(1.0053, 26), heat(26.2), [27, 1.0053], [27 + days, 1.0053]),
      [6.9, 'shut'],
      [7, 'open'],
    ],
    ['OLD_POWDERS_DAYS', (days) => verdict(300, ...still, ...dosed, honey(40 + days), [43 + days, MADE]), [179.9, 'open'], [180.2, 'ask']],
    [
      'STRIP_PLUS_MINUS',
      (massG) => verdict(60, ...still, { day: 38, what: 'strip', ph: 3.2 }, sulfite(40.01, massG), sorbate(40.01), honey(41), [43, MADE]),
      [0.16, 'shut'],
      [0.22, 'open'],
    ],
  ]);
});

describe('gas', () => {
  const bottle = { kind: 'new beer', closure: 'crown cap', sizeMl: 500, count: 6 } as const;
  const primed = (rows: Row[], gPerL: number, over: object = {}, into: object = bottle): string => {
    const plan = planOf({
      day: 70,
      kind: 'sparkling',
      bottle: into as never,
      prime: { what: 'sucrose', massG: 4.65 * gPerL, where: 'bulk', volumeL: 4.65, warmestC: 20, ...over },
    });
    return judgedOn(dryMust(...rows), 70, plan).verdict;
  };
  const proven = levelAt(up(0.5), 30, 38, 60);
  const keg = (gPerL: number, sizeMl: number, ratedVolumes?: number): string =>
    primed(proven, gPerL, {}, { kind: 'keg', closure: 'lid', sizeMl, count: 1, ratedVolumes });
  /** Each gram of sucrose in a liter is 0.5143 / 1.977 = 0.260 volumes, on 0.85 that stayed at 20 °C. */
  holdThresholds([
    ['FIRM.looks', (looks) => primed(levelAt(up(0.5), ...[30, 38, 34].slice(0, looks)), 5), [2, 'shut'], [3, 'open']],
    ['FIRM.days', (days) => primed(levelAt(up(0.5), 30, 30 + days), 5), [13.9, 'shut'], [14, 'open']],
    ['FERMENTS_AT_LEAST.honey', (gPerL) => primed(proven, gPerL, { what: 'honey', fermentable: 0.01 }), [11.5, 'open'], [15.5, 'shut']],
    ['FERMENTS_AT_LEAST.juice', (gPerL) => primed(proven, gPerL, { what: 'juice', fermentable: 0.01 }), [150, 'open'], [225, 'shut']],
    [
      'what is said of a syrup that is sweeter',
      (gPerL) => primed(proven, gPerL, { what: 'juice', fermentable: 0.65 }),
      [11, 'open'],
      [17, 'shut'],
    ],
    [
      'BEYOND_ANY_VOLUMES',
      (gPerL) => primed(proven, gPerL, {}, { ...bottle, kind: 'other', ratedVolumes: 15 }),
      [27.3, 'open'],
      [27.7, 'shut'],
    ],
    ['KEG.bearsVolumes', (gPerL) => keg(gPerL, 19_000), [27.3, 'open'], [27.7, 'shut']],
    ['KEG.askBelowMl', (sizeMl) => keg(5, sizeMl), [7999, 'ask'], [8000, 'open']],
  ]);
});
