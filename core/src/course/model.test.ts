import { describe, expect, it } from 'vitest';
import { ABV_PER_SUGAR, ferment, gridOf } from './index.ts';
import { tempAt, warmth } from './model.ts';
import type { Kinetics, Setting } from './index.ts';

const kinetics: Kinetics = {
  growthPerH: 0.12,
  uptakePerH: 0.4,
  yeastPerN: 0.013,
  deathPerH: 0.003,
  lagH: 12,
  toleranceAbv: 14,
  slowing: 0.75,
  halfSugar: 10,
  tiringPerH: 0.002,
  dryGPerL: 0,
};
const setting: Setting = {
  sugarGPerL: 200,
  nitrogenMgPerL: 250,
  pitchGPerL: 0.8,
  temps: [{ hour: 0, tempC: 20 }],
  pulses: [],
  acidSlowing: 1,
  abvPerSugar: ABV_PER_SUGAR,
  horizonH: 60 * 24,
};
function run(over: Partial<Setting> = {}, ofYeast: Partial<Kinetics> = {}) {
  const whole = { ...setting, ...over };
  const grid = gridOf(whole);
  const sugar = new Float64Array(grid.hours.length);
  ferment({ ...kinetics, ...ofYeast }, whole, grid, sugar);
  const at = (hour: number): number => sugar[grid.hours.findIndex((h) => h >= hour)] ?? sugar.at(-1)!;
  return { sugar, at };
}

describe('the model', () => {
  it('only ever eats, ends dry where the tolerance allows, and stops at the tolerance where not', () => {
    const { sugar } = run();
    for (let k = 1; k < sugar.length; k++) expect(sugar[k]!).toBeLessThanOrEqual(sugar[k - 1]! + 1e-12);
    expect(sugar.at(-1)!).toBeLessThan(1);
    const strong = run({ sugarGPerL: 330 }).sugar.at(-1)!;
    expect((330 - strong) * ABV_PER_SUGAR).toBeLessThanOrEqual(14 + 1e-6);
    expect((330 - strong) * ABV_PER_SUGAR).toBeGreaterThan(13);
  });

  it('is faster for warmth, nitrogen and yeast, slower in the cold and the sour', () => {
    const left = run().at(120);
    expect(run({ temps: [{ hour: 0, tempC: 25 }] }).at(120)).toBeLessThan(left);
    expect(run({ nitrogenMgPerL: 60 }).at(120)).toBeGreaterThan(left);
    expect(run({ acidSlowing: 0.5 }).at(120)).toBeGreaterThan(left);
    expect(warmth(2)).toBe(0);
    expect(warmth(35)).toBe(0);
  });

  it('takes sugar and nitrogen that go in, and does nothing before its lag', () => {
    expect(run().at(10)).toBe(200);
    const pulsed = run({ pulses: [{ hour: 48, scale: 0.9, sugarGPerL: 40, nitrogenMgPerL: 0 }] });
    expect(pulsed.at(48) - run().at(48) * 0.9).toBeCloseTo(40, 9);
    expect(run({ nitrogenMgPerL: 60, pulses: [{ hour: 24, scale: 1, sugarGPerL: 0, nitrogenMgPerL: 150 }] }).at(144)).toBeLessThan(
      run({ nitrogenMgPerL: 60 }).at(144),
    );
  });

  it('errs by its steps far less than a reading does', () => {
    // The same course at a twentieth of the step: within 0.6 g/L, a quarter of a thousandth of SG.
    const fine = (() => {
      let [living, nitrogen, sugar, abv, vigor] = [0.8 * 0.6, 250, 200, 0, 1];
      const byDay: number[] = [];
      const h = 0.02;
      for (let step = 0; step * h < 30 * 24; step++) {
        if (step % (24 / h) === 0) byDay.push(sugar);
        if (step * h < 12) continue;
        const slowing = (1 - abv / 14) ** 0.75;
        const grown = 0.12 * (nitrogen / (20 + nitrogen)) * slowing * living;
        const eaten = Math.min(sugar, h * 0.4 * (sugar / (10 * (1 + (0.5 * abv) / 14) + sugar)) * slowing * vigor * living);
        vigor -= h * 0.002 * (20 / (20 + nitrogen)) * (vigor - 0.3);
        living += h * (grown - 0.003 * (abv / 14) ** 4 * living);
        nitrogen = Math.max(0, nitrogen - (h * grown) / 0.013);
        sugar -= eaten;
        abv += eaten * ABV_PER_SUGAR;
      }
      return byDay;
    })();
    const { at } = run();
    fine.forEach((left, day) => expect(Math.abs(at(day * 24) - left)).toBeLessThan(0.6));
  });

  it('reads temperatures straight between points, even outside them', () => {
    const temps = [
      { hour: 0, tempC: 20 },
      { hour: 10, tempC: 10 },
    ];
    expect([-5, 0, 4, 10, 50].map((hour) => tempAt(temps, hour))).toEqual([20, 20, 16, 10, 10]);
    expect(tempAt([], 3)).toBe(20);
  });
});
