import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { DAP_CAP_G_PER_L } from '../nitrogen/index.ts';
import { checkDoses, workOutFeeding } from './index.ts';
import { countedMgPerG, nitrogenMgPerG } from '../nitrogen/index.ts';
import { doseMgPerL } from './schedule.ts';
import { planFeeding } from './schedule.ts';
import type { FeedingPractice, FeedingWish, Stocked } from './index.ts';
import type { Product } from '../nitrogen/index.ts';
import { EXAMPLE_PRACTICE } from '../testing/exampleBatch.ts';

const organic: Product = { source: 'organic', pricePerKg: 60 };
const dap: Product = { source: 'dap', pricePerKg: 20 };
const complex: Product = { source: 'complex', pricePerKg: 30 };
const practice: FeedingPractice = { ...EXAMPLE_PRACTICE, organic, ammonium: dap };
const must = { sugarGPerL: 250, demand: 'medium', broughtMgPerL: 0 } as const;
const wish: FeedingWish = { aim: 'cheapest', mostAtOnce: 0.4, volumeL: 5 };
const plenty = (product: Product): Stocked => ({ product, stockG: 1000 });
const gramsOf = (found: { totals: { product: Product; gPerL: number }[] }, product: Product): number =>
  found.totals.find((total) => total.product === product)?.gPerL ?? 0;

describe('a feeding worked out from the shelf', () => {
  it('takes the cheapest nitrogen as far as its share goes, and the rest from the next', () => {
    // To give: 0.90 × 250 − 20 = 205 mg/L. DAP: 20/212.1 = 0.094 a mg; organic 60/40 = 1.5; half of 205 may be ammonium.
    const found = workOutFeeding(must, practice, [plenty(organic), plenty(dap)], wish);
    expect(gramsOf(found, dap)).toBeCloseTo(102.5 / 212.1, 5);
    expect(gramsOf(found, organic)).toBeCloseTo(102.5 / 40, 4);
    expect(found.cost).toBeCloseTo(5 * ((102.5 / 212.1) * 0.02 + (102.5 / 40) * 0.06), 4);
    expect(found.missingMgPerL).toBe(0);
  });

  it('makes as few doses as the most at once allows, in even doses', () => {
    const found = workOutFeeding(must, practice, [plenty(organic), plenty(dap)], { ...wish, aim: 'doses' });
    expect(found.doseCount).toBe(3);
    for (const dose of found.doses) expect(doseMgPerL(dose, practice)).toBeCloseTo(205 / 3, 2);
    expect(workOutFeeding(must, practice, [plenty(organic)], { ...wish, aim: 'doses', mostAtOnce: 1 }).doseCount).toBe(1);
  });

  it('says what is missing and why', () => {
    const short = workOutFeeding(must, practice, [{ product: organic, stockG: 10 }], wish);
    // 10 g in 5 L: 2 g/L × 40 = 80 of 205 mg/L.
    expect(short.missingMgPerL).toBeCloseTo(125, 2);
    expect(short.heldBackBy).toEqual(['stock']);
    expect(short.lackingG).toBeCloseTo((125 / 40) * 5, 1);
    const salty = workOutFeeding(must, { ...practice, ammoniumShare: 1 }, [plenty(dap)], wish);
    // The cap of 0.9586 g/L brings 203.3 of 205 mg/L.
    expect(salty.missingMgPerL).toBeCloseTo(205 - DAP_CAP_G_PER_L.us * 212.1, 2);
    expect(salty.heldBackBy).toEqual(['ammonium cap']);
    expect(workOutFeeding(must, practice, [plenty(dap)], wish).heldBackBy).toEqual(['ammonium share']);
    const capped = { ...organic, capGPerL: 1 };
    expect(workOutFeeding(must, practice, [plenty(capped)], wish).heldBackBy).toEqual(['packet cap']);
    expect(workOutFeeding(must, { ...practice, school: 'upfront' }, [plenty(organic)], wish).heldBackBy).toEqual(['at once']);
  });

  it('takes what has no price last, and says so', () => {
    const gift: Product = { source: 'noAmmonium' };
    const found = workOutFeeding(must, { ...practice, ammoniumShare: 0 }, [plenty(gift), { product: organic, stockG: 10 }], wish);
    expect(gramsOf(found, organic)).toBeCloseTo(2, 4);
    expect(found.unpriced).toEqual([gift]);
  });

  it('refuses an empty shelf and an empty vessel with a sentence', () => {
    expect(() => workOutFeeding(must, practice, [{ product: { source: 'hulls' }, stockG: 50 }], wish)).toThrow(/no nutrient with nitrogen/);
    expect(() => workOutFeeding(must, practice, [plenty(organic)], { ...wish, volumeL: 0 })).toThrow(Refusal);
  });

  it('never breaks a rule or takes more than there is, and is followed as it stands', () => {
    const any = fc.record({
      sugarGPerL: fc.double({ min: 120, max: 320, noNaN: true }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
      mostAtOnce: fc.double({ min: 0.25, max: 1, noNaN: true }),
      stocks: fc.tuple(
        ...[organic, dap, complex].map((product) => fc.record({ product: fc.constant(product), stockG: fc.integer({ min: 0, max: 60 }) })),
      ),
      aim: fc.constantFrom<FeedingWish['aim']>('cheapest', 'doses'),
    });
    fc.assert(
      fc.property(any, ({ sugarGPerL, share, mostAtOnce, stocks, aim }) => {
        fc.pre(stocks.some(({ stockG }) => stockG > 0));
        const school = { ...practice, ammoniumShare: share };
        const found = workOutFeeding({ ...must, sugarGPerL }, school, stocks, { aim, mostAtOnce, volumeL: 5 });
        expect(() => checkDoses(found.doses, school)).not.toThrow();
        for (const { product, stockG } of stocks) expect(gramsOf(found, product) * 5).toBeLessThanOrEqual(stockG + 1e-4);
        for (const dose of found.doses) expect(doseMgPerL(dose, school)).toBeLessThanOrEqual(found.toGiveMgPerL * mostAtOnce + 1e-3);
        const followed = planFeeding({ ...must, sugarGPerL }, { ...school, school: 'set', setDoses: found.doses });
        expect(followed.suppliedMgPerL).toBeCloseTo(found.coveredMgPerL, 3);
        expect(followed.suppliedMgPerL).toBeLessThanOrEqual(found.toGiveMgPerL + 1e-3);
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  it('finds the least cost that a search over all mixtures finds', () => {
    // One visit, no rounding: the mixture of three on a grid of a hundredth of the need can only cost as much or more.
    const school = { ...practice, ammoniumShare: 0.6, school: 'own' as const, ownHours: [24] };
    const stock = [{ product: organic, stockG: 20 }, { product: complex, stockG: 6 }, plenty(dap)];
    const found = workOutFeeding(must, { ...school, ownHours: [24] }, stock, { ...wish, mostAtOnce: 1 });
    let least = Infinity;
    for (let a = 0; a <= 100; a++)
      for (let b = 0; a + b <= 100; b++) {
        const grams = [a, b, 100 - a - b].map((part, i) => ((part / 100) * 205) / countedMgPerG(stock[i]!.product, 1));
        const isWithin = grams.every((gPerL, i) => gPerL * 5 <= stock[i]!.stockG + 1e-9);
        const ammonium = grams.reduce((sum, gPerL, i) => sum + gPerL * nitrogenMgPerG(stock[i]!.product).ammonium, 0);
        const shared = (b + (100 - a - b)) / 100 <= 0.6;
        if (isWithin && shared && ammonium <= DAP_CAP_G_PER_L.us * 212.1)
          least = Math.min(
            least,
            grams.reduce((sum, gPerL, i) => sum + gPerL * 5 * (stock[i]!.product.pricePerKg! / 1000), 0),
          );
      }
    expect(found.cost).toBeLessThanOrEqual(least + 1e-4);
    expect(found.cost).toBeGreaterThan(0.97 * least);
  });
});
