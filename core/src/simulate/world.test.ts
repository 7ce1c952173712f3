import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sugarByHour } from './world.ts';
import type { World } from './world.ts';

const world: World = {
  sugarGPerL: 220,
  nitrogenMgPerL: 250,
  pitchGPerL: 0.8,
  toleranceAbv: 15,
  yeastTempC: { low: 15, high: 25 },
  phFloor: 3.1,
  tempC: () => 20,
  ph: () => 3.5,
  feeds: [],
  shocks: [],
  preservative: 0,
  lagH: 14,
  vigor: 1,
};
const left = (over: Partial<World>, day = 12): number => sugarByHour({ ...world, ...over }, day * 24)[day * 24]!;

describe('the simulated must', () => {
  it('only ever loses sugar, never below nothing, and never ferments past its tolerance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 380, noNaN: true }),
        fc.double({ min: 5, max: 35, noNaN: true }),
        fc.double({ min: 10, max: 400, noNaN: true }),
        (sugarGPerL, temp, nitrogenMgPerL) => {
          const sugar = sugarByHour({ ...world, sugarGPerL, nitrogenMgPerL, tempC: () => temp }, 40 * 24);
          expect(sugar[0]).toBe(sugarGPerL);
          for (let hour = 1; hour < sugar.length; hour++) {
            expect(sugar[hour]!).toBeLessThanOrEqual(sugar[hour - 1]!);
            expect(sugar[hour]!).toBeGreaterThanOrEqual(0);
          }
          expect((sugarGPerL - sugar.at(-1)!) * (0.484 / 7.893)).toBeLessThanOrEqual(15.05);
        },
      ),
      { numRuns: 40, seed: 2 },
    );
  });

  it('suffers from each thing that stops a must', () => {
    const well = left({});
    expect(left({ tempC: () => 9 })).toBeGreaterThan(well + 100);
    expect(left({ ph: () => 2.75 })).toBeGreaterThan(well + 100);
    expect(left({ nitrogenMgPerL: 15 })).toBeGreaterThan(well + 30);
    expect(left({ preservative: 0.97 })).toBeGreaterThan(well + 100);
    expect(left({ shocks: [{ hour: 72, kills: 0.99 }] })).toBeGreaterThan(well + 30);
    expect(left({ tempC: (hour) => (hour > 72 && hour < 144 ? 38 : 20) })).toBeGreaterThan(well);
  });

  it('is helped by a feeding while it is early, and not when it is late', () => {
    const hungry = { nitrogenMgPerL: 60 };
    const early = left({ ...hungry, feeds: [{ hour: 24, nitrogenMgPerL: 150 }] });
    const late = left({ ...hungry, feeds: [{ hour: 11 * 24, nitrogenMgPerL: 150 }] });
    expect(early).toBeLessThan(left(hungry) - 10);
    expect(late).toBeGreaterThan(left(hungry) - 5);
  });
});
