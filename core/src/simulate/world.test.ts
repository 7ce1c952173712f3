import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fructoseSugarByHour } from './fructoseWorld.ts';
import type { FructoseWorld } from './fructoseWorld.ts';
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

describe('the must of another kind of yeast', () => {
  const other: FructoseWorld = {
    nitrogenMgPerL: 40,
    pitchGPerL: 0.7,
    feeds: [24, 60].map((hour) => ({ hour, nitrogenMgPerL: 80 })),
    tempC: () => 20,
    bearsAbv: 14,
    vigor: 1,
    likesGlucose: 2.5,
    halvesInH: 500,
    leavesGPerL: 3,
  };
  const leftAfter = (over: Partial<FructoseWorld>, day = 12, sugarGPerL = 220): number =>
    fructoseSugarByHour({ ...other, ...over }, sugarGPerL, day * 24)[day * 24]!;

  it('only ever loses sugar, and never what it does not eat', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 80, max: 380, noNaN: true }),
        fc.double({ min: 5, max: 36, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (sugarGPerL, temp, leavesGPerL) => {
          const sugar = fructoseSugarByHour({ ...other, leavesGPerL, tempC: () => temp }, sugarGPerL, 40 * 24);
          expect(sugar[0]).toBeCloseTo(sugarGPerL, 9);
          for (let hour = 1; hour < sugar.length; hour++) expect(sugar[hour]!).toBeLessThanOrEqual(sugar[hour - 1]! + 1e-9);
          expect(sugar.at(-1)!).toBeGreaterThanOrEqual(leavesGPerL - 1e-9);
        },
      ),
      { numRuns: 40, seed: 4 },
    );
  });

  it('is slower in the cold, hungry or tired, stops near what it bears, and its last tenth is slow', () => {
    const well = leftAfter({});
    for (const worse of [{ tempC: () => 12 }, { nitrogenMgPerL: 10, feeds: [] }, { halvesInH: 100 }])
      expect(leftAfter(worse)).toBeGreaterThan(well + 10);
    const abv = (340 - leftAfter({}, 60, 340)) * (0.484 / 7.893);
    expect(abv).toBeGreaterThan(11);
    expect(abv).toBeLessThan(15);
    const byDay = Array.from({ length: 30 }, (_, day) => leftAfter({}, day + 1, 200));
    const fell = (from: number): number => byDay[from]! - byDay[from + 2]!;
    expect(fell(16)).toBeLessThan(0.2 * fell(3));
    expect(fell(16)).toBeGreaterThan(0.3);
  });
});
