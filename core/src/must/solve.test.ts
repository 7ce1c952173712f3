import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HYDROMETER_PLUS_MINUS } from '../liquid/index.ts';
import { Refusal } from '../quantities/index.ts';
import { massToG } from '../quantities/units.ts';
import { volumeToL } from '../quantities/units.ts';
import { HoldsRefusal, change, planOf, plannedFrom, plannedHoney, predictMust, scalePlan } from './index.ts';
import { totalCost } from './cost.ts';
import { totalG } from './plan.ts';
import { solveMust } from './solve.ts';
import { valueOf } from './solve.ts';
import type { Hold, MustPlan } from './index.ts';
import type { Holds } from './plan.ts';

const twoHoneys = (wanted: Holds, more: MustPlan['ingredients'] = []): MustPlan =>
  planOf(
    [{ ...plannedHoney('linden', 1000, 0.171), pricePerKg: 10 }, { ...plannedHoney('heather', 600, 0.19), pricePerKg: 18 }, ...more],
    3.5,
    { yeastId: 'strong', wanted },
  );

const liters = fc.double({ min: 2, max: 30, noNaN: true });
const strength: fc.Arbitrary<Holds> = fc.oneof(
  fc.double({ min: 1.05, max: 1.14, noNaN: true }).map((og) => ({ og })),
  fc.double({ min: 6, max: 15.5, noNaN: true }).map((abv) => ({ abv })),
  fc.double({ min: 10, max: 80, noNaN: true }).map((sweetnessGPerL) => ({ sweetnessGPerL })),
);
const size: fc.Arbitrary<Holds> = fc.oneof(
  liters.map((volumeL) => ({ volumeL })),
  liters.map((rackedL) => ({ rackedL })),
);
const fruit = fc.record({ massG: fc.double({ min: 0, max: 1500, noNaN: true }), perLiter: fc.boolean() });

/** How near the prediction must come to what was held. */
const INSTRUMENT: Record<Hold, number> = {
  volumeL: 0.005,
  rackedL: 0.005,
  og: HYDROMETER_PLUS_MINUS / 4,
  abv: 0.02,
  sweetnessGPerL: 0.3,
  honeyG: 1,
  waterL: 0.005,
  cost: 0.01,
};

describe('holding things fixed', () => {
  it('predicts what was asked for, whichever are held and whatever fruit is in it', () => {
    fc.assert(
      fc.property(strength, size, fruit, (strong, big, { massG, perLiter }) => {
        const berries = plannedFrom('gooseberry', massG, perLiter ? { lock: 'perLiter', gPerL: massG / 10 } : {});
        const wanted = { ...strong, ...big };
        let solved: MustPlan;
        try {
          solved = solveMust(twoHoneys(wanted, [berries]));
        } catch (error) {
          expect(error).toBeInstanceOf(HoldsRefusal);
          return;
        }
        for (const [hold, value] of Object.entries(wanted)) {
          expect(Math.abs(valueOf(solved, hold as Hold) - (value as number)), hold).toBeLessThan(INSTRUMENT[hold as Hold]);
        }
        const figures = predictMust(solved);
        if (perLiter) expect(solved.ingredients[2]!.massG).toBeCloseTo((massG / 10) * figures.volumeL.value, 1);
        const [linden, heather] = solved.ingredients;
        expect(linden!.massG / heather!.massG).toBeCloseTo(1000 / 600, 6);
      }),
      { numRuns: 200, seed: 11 },
    );
  });

  it('meets honey, water and cost as exactly as the rest', () => {
    const cases: Holds[] = [
      { honeyG: 1800, volumeL: 6 },
      { honeyG: 1800, og: 1.1 },
      { waterL: 4, og: 1.1 },
      { waterL: 4, abv: 12 },
      { cost: 25, rackedL: 5 },
      { cost: 25, og: 1.09 },
    ];
    for (const wanted of cases) {
      const solved = solveMust(twoHoneys(wanted));
      for (const [hold, value] of Object.entries(wanted))
        expect(Math.abs(valueOf(solved, hold as Hold) - value), JSON.stringify(wanted)).toBeLessThan(INSTRUMENT[hold as Hold]);
    }
  });

  it('moves one honey alone where the other is locked', () => {
    const plan = twoHoneys({ og: 1.1, volumeL: 6 });
    plan.ingredients[1] = { ...plan.ingredients[1]!, lock: 'mass' };
    const solved = solveMust(plan);
    expect(solved.ingredients[1]!.massG).toBe(600);
    expect(valueOf(solved, 'og')).toBeCloseTo(1.1, 5);
  });

  it('finds the ratio of two honeys from what the batch may cost', () => {
    const solved = solveMust({ ...twoHoneys({ og: 1.1, volumeL: 6, cost: 25 }), ratioFree: true });
    expect(totalCost(solved)).toBeCloseTo(25, 2);
    expect(valueOf(solved, 'og')).toBeCloseTo(1.1, 5);
    expect(valueOf(solved, 'volumeL')).toBeCloseTo(6, 3);
  });

  it('moves little where little is moved', () => {
    const from = solveMust(twoHoneys({ og: 1.1, rackedL: 5 }));
    const to = solveMust({ ...from, wanted: { og: 1.1005, rackedL: 5 } });
    expect(Math.abs(totalG(to.ingredients) - totalG(from.ingredients))).toBeLessThan(20);
    expect(Math.abs(to.waterL - from.waterL)).toBeLessThan(0.02);
  });

  it('says which hold to let go of, and what it would become', () => {
    const sour = plannedFrom('juice-grape-white', 4000, { preserved: false });
    const refused = (() => {
      try {
        solveMust(twoHoneys({ og: 1.06, volumeL: 4.5 }, [sour]));
      } catch (error) {
        return error;
      }
      return null;
    })();
    expect(refused).toBeInstanceOf(HoldsRefusal);
    const { message, loosen } = refused as HoldsRefusal;
    expect(message).toMatch(/linden and heather would have to be less than nothing/);
    for (const { hold, reachable } of loosen) {
      const other: Holds = hold === 'og' ? { volumeL: 4.5, og: reachable + 0.001 } : { og: 1.06, volumeL: reachable + 0.05 };
      expect(() => solveMust(twoHoneys(other, [sour])), `${hold} ${reachable}`).not.toThrow();
    }
    expect(loosen.map(({ hold }) => hold).sort()).toEqual(['og', 'volumeL']);
  });

  it.each<[Holds, RegExp]>([
    [{ og: 1.1, abv: 12 }, /both set how strong/],
    [{ volumeL: 5, rackedL: 4 }, /both set how much/],
    [{ og: 1.45, volumeL: 1 }, /cannot be planned/],
    [{ abv: 17, volumeL: 5 }, /stops near 16.5/],
    [{ sweetnessGPerL: 1, volumeL: 5 }, /leaves the strength open/],
    [{ honeyG: 12000, volumeL: 5 }, /water would have to be less than nothing/],
    [{ volumeL: 5 }, /exactly two/],
    [{ volumeL: -5, og: 1.1 }, /more than nothing/],
  ])('refuses %j with a sentence', (holds, sentence) => {
    expect(() => solveMust(twoHoneys(holds))).toThrow(sentence);
    expect(() => solveMust(twoHoneys(holds))).toThrow(Refusal);
  });

  it('is the same must as three plans drawn up in metric, US and UK units, to a thousandth', () => {
    // The same must in each maker's own round-about figures: 5 US gal, 4.1635 UK gal or 18.927 L, with 4 lb of cherries.
    const draw = (volumeL: number, cherriesG: number): MustPlan =>
      solveMust(twoHoneys({ og: 1.1, volumeL }, [plannedFrom('cherry-sour', cherriesG)]));
    const metric = draw(18.92706, 1814.37);
    const us = draw(volumeToL(5, 'us_gal'), massToG(4, 'lb'));
    const uk = draw(volumeToL(4.163371, 'uk_gal'), massToG(64, 'oz'));
    for (const other of [us, uk]) {
      for (const name of ['og', 'volumeL', 'rackedL', 'abv', 'sugarGPerL', 'fillL'] as const)
        expect(predictMust(other)[name].value / predictMust(metric)[name].value).toBeCloseTo(1, 3);
      expect(totalG(other.ingredients) / totalG(metric.ingredients)).toBeCloseTo(1, 3);
      expect(other.waterL / metric.waterL).toBeCloseTo(1, 3);
    }
  });

  it('keeps every strength when the whole plan is made smaller', () => {
    const plan = solveMust(twoHoneys({ og: 1.1, rackedL: 5 }, [plannedFrom('gooseberry', 1000)]));
    const half = scalePlan(plan, 0.5);
    expect(valueOf(half, 'og')).toBeCloseTo(valueOf(plan, 'og'), 9);
    expect(valueOf(half, 'volumeL')).toBeCloseTo(valueOf(plan, 'volumeL') / 2, 9);
    // Half of 5.2 L with the samples in it, less the same samples.
    expect(half.wanted.rackedL).toBeCloseTo(2.4, 3);
    for (const [i, line] of change(half, {}).ingredients.entries()) expect(line.massG).toBeCloseTo(half.ingredients[i]!.massG, 1);
  });
});
