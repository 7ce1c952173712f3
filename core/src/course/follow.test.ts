import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SPEED_SD, ahead, evenLead, follow, onItsSide, sugarAt } from './follow.ts';
import { ABV_PER_SUGAR, ferment, gridOf } from './index.ts';
import type { Kinetics, Setting } from './index.ts';

const kinetics: Kinetics = {
  growthPerH: 0.12,
  uptakePerH: 0.5,
  yeastPerN: 0.013,
  deathPerH: 0.0015,
  lagH: 12,
  toleranceAbv: 14,
  slowing: 0.75,
  halfSugar: 12,
  tiringPerH: 0.001,
  dryGPerL: 3,
};
const setting: Setting = {
  sugarGPerL: 220,
  nitrogenMgPerL: 200,
  pitchGPerL: 0.8,
  temps: [{ hour: 0, tempC: 20 }],
  pulses: [],
  acidSlowing: 1,
  abvPerSugar: ABV_PER_SUGAR,
  horizonH: 40 * 24,
};
const grid = gridOf(setting);
const law = new Float64Array(grid.hours.length);
ferment(kinetics, setting, grid, law);
const lawAt = (hour: number): number => sugarAt(law, grid, hour);
const read = (hour: number, sugarGPerL: number, sd = 2) => ({ hour, sugarGPerL, sd });
const days = (...of: number[]): number[] => of.map((day) => 24 * day);

describe('a must beside its law', () => {
  it('is neither ahead nor behind where it keeps to it', () => {
    const { residuals, lead } = follow(
      law,
      grid,
      setting,
      days(2, 4, 6, 8).map((hour) => read(hour, lawAt(hour))),
    );
    for (const residual of residuals) expect(Math.abs(residual)).toBeLessThan(1e-6);
    expect(lead.aheadH).toBeCloseTo(0, 6);
    expect(lead.speed).toBeCloseTo(0, 6);
  });

  it('is found ahead by as much as it is, and a little faster', () => {
    const { lead } = follow(
      law,
      grid,
      setting,
      days(3, 4, 5, 6).map((hour) => read(hour, lawAt(hour * 1.1), 0.2)),
    );
    expect(lead.aheadH).toBeGreaterThan(0.7 * 0.1 * 144);
    expect(lead.aheadH).toBeLessThan(1.3 * 0.1 * 144);
    expect(lead.speed).toBeGreaterThan(0.02);
  });

  it('is likelier the nearer it keeps to the law', () => {
    const likelihoodAt = (factor: number): number =>
      follow(
        law,
        grid,
        setting,
        days(3, 5, 7).map((hour) => read(hour, factor * lawAt(hour))),
      ).logLikelihood;
    expect(likelihoodAt(1)).toBeGreaterThan(likelihoodAt(0.93));
    expect(likelihoodAt(0.93)).toBeGreaterThan(likelihoodAt(0.8));
  });

  it('is hardly moved by one slip of the pen', () => {
    const leadAfter = (slip: number): number =>
      follow(law, grid, setting, [...days(3, 4, 5).map((hour) => read(hour, lawAt(hour))), read(132, lawAt(132) - slip)]).lead.aheadH;
    const [usual, slip] = [leadAfter(5), leadAfter(100)];
    expect(usual).toBeGreaterThan(0);
    expect(slip).toBeLessThan(6 * usual);
  });

  it('loses its speed with time and keeps what it gained, in one step or in two', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 900, noNaN: true }), fc.double({ min: 1, max: 900, noNaN: true }), (first, second) => {
        const start = { ...evenLead(), aheadH: 5, speed: 0.3, varAhead: 16, covariance: 0.2 };
        const [once, twice] = [ahead(start, first + second), ahead(ahead(start, first), second)];
        for (const name of ['aheadH', 'speed', 'varAhead', 'covariance', 'varSpeed'] as const)
          expect(Math.abs(twice[name] - once[name])).toBeLessThan(1e-6 * (1 + Math.abs(once[name])));
        expect(once.varSpeed).toBeCloseTo(SPEED_SD ** 2, 9);
        expect(Math.abs(once.speed)).toBeLessThan(0.3);
        expect(once.aheadH).toBeGreaterThan(5);
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  it('stays on its side of a pour', () => {
    const poured = { pulses: [{ hour: 100, scale: 0.9, sugarGPerL: 40, nitrogenMgPerL: 0 }] };
    expect(onItsSide(98, 12, poured)).toBeLessThan(100);
    expect(onItsSide(104, -12, poured)).toBe(100);
    expect(onItsSide(98, 12, { pulses: [{ hour: 100, scale: 1, sugarGPerL: 0, nitrogenMgPerL: 50 }] })).toBe(110);
    expect(onItsSide(4, -12, { pulses: [] })).toBe(0);
  });
});
