import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import { alcoholByBalance } from '../liquid/index.ts';
import { Refusal } from '../quantities/index.ts';
import { afterSugar } from '../masses/index.ts';
import { DRY_SUGAR_G_PER_L, YEAST_TYPES, stopsAt, yeastToPitchG, yeastType } from './index.ts';

const must = (sugarG: number) => ({ waterG: 4000, sugarG, unfermentableG: 40, ethanolG: 0, insolubleG: 0 });
const DRY = DRY_SUGAR_G_PER_L.value;

describe('yeast types', () => {
  it.each(YEAST_TYPES.map((type) => [type.name, type] as const))('the %s has ranges that hold together', (_name, type) => {
    expect(type.toleranceAbv.low).toBeLessThan(type.toleranceAbv.value);
    expect(type.toleranceAbv.high).toBeGreaterThan(type.toleranceAbv.value);
    expect(type.tempC.low).toBeLessThan(type.tempC.high);
    expect(yeastType(type.id)).toBe(type);
  });

  it('are refused by name where there is none', () => {
    expect(() => yeastType('moon')).toThrow(Refusal);
    expect(() => yeastType('moon')).toThrow(/“moon”/);
  });
});

describe('yeast to pitch', () => {
  it('is half a gram a liter up to 1.100 and a gram from 1.130', () => {
    expect(yeastToPitchG(10, 1.06)).toBeCloseTo(5, 9);
    expect(yeastToPitchG(10, 1.1)).toBeCloseTo(5, 9);
    expect(yeastToPitchG(10, 1.13)).toBeCloseTo(10, 9);
    expect(yeastToPitchG(10, 1.16)).toBeCloseTo(10, 9);
    expect(yeastToPitchG(10, 1.115)).toBeCloseTo(7.5, 9);
  });
});

describe('where a fermentation stops', () => {
  it('never passes the tolerance and never takes the last sugar', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 1900, noNaN: true }), fc.double({ min: 6, max: 18, noNaN: true }), (sugarG, tolerance) => {
        const stop = stopsAt(must(sugarG), tolerance, DRY, CENTRAL_ASSUMPTIONS);
        expect(stop.abv).toBeLessThanOrEqual(tolerance + 1e-4);
        expect(stop.sugarGPerL).toBeGreaterThanOrEqual(DRY * 0.9);
        expect(stop.atTolerance).toBe(stop.abv > tolerance - 2e-4);
      }),
      { numRuns: 100, seed: 21 },
    );
  });

  it('more sugar leaves more sugar once the tolerance is reached', () => {
    const sweet = [1300, 1400, 1500].map((sugarG) => stopsAt(must(sugarG), 12, DRY, CENTRAL_ASSUMPTIONS).sugarGPerL);
    expect(sweet[0]).toBeLessThan(sweet[1]!);
    expect(sweet[1]).toBeLessThan(sweet[2]!);
  });

  it('stays where it is when the must is beyond the yeast already', () => {
    const strong = { ...must(200), ethanolG: 700 };
    const stop = stopsAt(strong, 12, DRY, CENTRAL_ASSUMPTIONS);
    expect(stop.atTolerance).toBe(true);
    expect(stop.sugarGPerL).toBeCloseTo(200 / afterSugar(strong, 0, CENTRAL_ASSUMPTIONS).volumeL, 6);
  });

  it('makes the alcohol that two gravities would give, less what glycerol keeps', () => {
    const start = afterSugar(must(1200), 0, CENTRAL_ASSUMPTIONS);
    const end = afterSugar(must(1200), 1000, CENTRAL_ASSUMPTIONS);
    expect(end.abv).toBeCloseTo(alcoholByBalance(start.sg, end.sg).abv, 1);
  });
});
