import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import {
  INGREDIENTS,
  SOURCE_NAMES,
  broughtBy,
  checkComposition,
  honeyComposition,
  juiceComposition,
  referenceIngredient,
  waterShare,
} from './index.ts';

describe('the reference table', () => {
  it('holds some sixty ingredients or more, each under its own id', () => {
    expect(INGREDIENTS.length).toBeGreaterThanOrEqual(60);
    expect(new Set(INGREDIENTS.map(({ id }) => id)).size).toBe(INGREDIENTS.length);
  });

  it.each(INGREDIENTS.map((row) => [row.name, row] as const))(
    '%s is made of no more than itself and says where that comes from',
    (_name, row) => {
      expect(() => checkComposition(row.name, row.family, row.composition)).not.toThrow();
      expect(waterShare(row.composition)).toBeGreaterThanOrEqual(-1e-9);
      expect(SOURCE_NAMES[row.source]).toBeTruthy();
      expect(row.sugarSpread).toBeLessThanOrEqual(0.4);
      if (row.family === 'fruit') expect(row.composition.insoluble).toBeGreaterThan(0);
      if (row.family === 'honey') expect(waterShare(row.composition)).toBeLessThan(0.2);
    },
  );

  it('brings hardly any nitrogen with raisins, malt a lot', () => {
    const amino = (id: string, massG: number): number => (massG * referenceIngredient(id)!.composition.aminoNMgPerKg) / 1000;
    expect(amino('raisin', 100)).toBeLessThan(10);
    expect(amino('malt-dry', 1000)).toBeGreaterThan(500);
  });
});

describe('what an ingredient brings', () => {
  it('adds up to its mass, however rich its sugar turns out', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...INGREDIENTS),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (row, massG, scale) => {
          const { waterG, sugarG, unfermentableG, insolubleG } = broughtBy(massG, row.composition, scale);
          expect(waterG + sugarG + unfermentableG + insolubleG).toBeCloseTo(massG, 6);
          expect(Math.min(waterG, sugarG, unfermentableG, insolubleG)).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
      { numRuns: 200, seed: 6 },
    );
  });

  it('takes a juice from its Brix', () => {
    const { sugar, unfermentable } = juiceComposition(12, 6, 70);
    expect(sugar + unfermentable).toBeCloseTo(0.12, 9);
  });

  it.each([
    ['a honey of 40 % water', 'honey' as const, honeyComposition(0.4, 0.03)],
    ['a fruit of more than itself', 'fruit' as const, { ...juiceComposition(90, 0, 0), insoluble: 0.3 }],
    ['a negative sugar', 'fruit' as const, { ...juiceComposition(10, 0, 0), sugar: -0.1 }],
    ['no number', 'fruit' as const, { ...juiceComposition(10, 0, 0), sugar: Number.NaN }],
  ])('refuses %s', (_name, family, composition) => {
    expect(() => checkComposition('it', family, composition)).toThrow(Refusal);
  });
});
