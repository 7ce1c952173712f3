import { describe, expect, it } from 'vitest';
import { DAP_CAP_G_PER_L } from '../nitrogen/index.ts';
import { SCHOOL_IDS, compareSchools } from './index.ts';
import { productCaution } from '../nitrogen/index.ts';
import { planFeeding } from './schedule.ts';
import type { FeedingPractice } from './index.ts';
import { EXAMPLE_PRACTICE } from '../testing/exampleBatch.ts';

const practice: FeedingPractice = {
  ...EXAMPLE_PRACTICE,
  ownHours: [24, 200],
  dapCapGPerL: DAP_CAP_G_PER_L.eu,
  organic: { source: 'organic', pricePerKg: 60 },
  ammonium: { source: 'dap', pricePerKg: 20 },
};
const must = { sugarGPerL: 250, demand: 'medium', broughtMgPerL: 0 } as const;
/** A third of the sugar gone at this hour, and the rest falling off exponentially. */
const falling =
  (breakH: number) =>
  (share: number): number =>
    (breakH * Math.log(1 - share)) / Math.log(2 / 3);
const outcomes = compareSchools(must, practice, SCHOOL_IDS, { hourAt: falling(72), abvDry: 14 });
const of = (school: string) => outcomes.find((outcome) => outcome.school === school)!;

describe('schools side by side', () => {
  it('each ends where its own plan ends, and is visited as often as it has doses', () => {
    for (const outcome of outcomes) {
      const plan = planFeeding(must, { ...practice, school: outcome.school });
      expect(outcome.doseCount).toBe(plan.doses.length);
      expect(outcome.steps.at(-1)?.mgPerL ?? plan.creditMgPerL).toBeCloseTo(plan.creditMgPerL + plan.suppliedMgPerL, 6);
    }
  });

  it('costs what its grams cost', () => {
    // Need 225 − 20 = 205 mg/L. Organic alone: 205 / 40 = 5.125 g/L at 60 a kilogram = 0.3075.
    expect(of('organic').costPerL).toBeCloseTo(0.3075, 6);
    // Half from DAP: 102.5 / 212.1 = 0.4833 g/L at 20 = 0.00967, and 2.5625 g/L organic = 0.15375.
    expect(of('clock').costPerL).toBeCloseTo(0.16342, 4);
    expect(of('none')).toMatchObject({ doseCount: 0, costPerL: 0, missingMgPerL: expect.closeTo(205, 6) as number });
  });

  it('says what comes too late', () => {
    expect(of('upfront').lateMgPerL).toBe(0);
    expect(of('clock').lateMgPerL).toBe(0);
    // Half the sugar is gone after 72 × ln 2 / ln 1.5 = 123 h; the second of one's own hours, day 8, is beyond.
    expect(of('own').lateMgPerL).toBeCloseTo(51.25, 2);
    const fast = compareSchools(must, practice, ['clock'], { hourAt: falling(24), abvDry: 18 })[0]!;
    expect(fast.lateMgPerL).toBeGreaterThan(50);
  });

  it('warns of urea', () => {
    expect(productCaution({ source: 'cutDap' })).toMatch(/Urea/);
    expect(productCaution({ source: 'organic' })).toBeNull();
  });
});
