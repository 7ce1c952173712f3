import { describe, expect, it } from 'vitest';
import { findRoot, fixedPoint, normal, seeded, settled, solveSystem, tabulate } from './index.ts';

describe('root finding', () => {
  it('meets its tolerance and says how', () => {
    const root = findRoot((x) => x ** 3 - 2, 0, 2, 1e-12);
    expect(root.x).toBeCloseTo(Math.cbrt(2), 10);
    expect(root.converged).toBe(true);
  });

  it('refuses a bracket without a change of sign instead of inventing a root', () => {
    expect(() => findRoot((x) => x * x + 1, -1, 1, 1e-9)).toThrow(/no change of sign/);
  });

  it('says when it did not get there', () => {
    expect(findRoot((x) => x ** 3 - 2, 0, 2, 1e-15, 2).converged).toBe(false);
  });
});

describe('a table', () => {
  const sine = tabulate(Math.sin, 0, 3, 0.01);

  it('reads as the function does, up to its very ends', () => {
    for (const x of [0, 0.005, 1.2345, 2.9999, 3]) expect(Math.abs(sine(x) - Math.sin(x))).toBeLessThan(1e-8);
  });

  it('answers nothing outside its range', () => {
    expect(sine(-0.01)).toBeNaN();
    expect(sine(3.01)).toBeNaN();
  });
});

describe('several unknowns', () => {
  it('are found together', () => {
    const root = solveSystem(([x = 0, y = 0]) => [x * y - 6, x + y - 5], [1, 8], 1e-10);
    expect(root.converged).toBe(true);
    expect([...root.x].sort()).toEqual([expect.closeTo(2, 6), expect.closeTo(3, 6)]);
  });

  it('never pass zero, and the one that wanted to is named', () => {
    const root = solveSystem(([x = 0, y = 0]) => [x + y - 1, x - y - 3], [1, 1], 1e-10);
    expect(root.converged).toBe(false);
    expect(root.vanished).toBe(1);
    expect(Math.min(...root.x)).toBeGreaterThan(0);
  });

  it('say so where two equations are the same', () => {
    expect(solveSystem(([x = 0, y = 0]) => [x + y - 2, 2 * x + 2 * y - 5], [1, 1], 1e-10).converged).toBe(false);
  });
});

describe('random draws', () => {
  it('are the same for the same seed and others for another', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seeded(seed));
    expect(draw(1)).toEqual(draw(1));
    expect(draw(1)).not.toEqual(draw(2));
  });

  it('spread as a normal distribution does', () => {
    const rng = seeded(7);
    const values = Array.from({ length: 20_000 }, () => normal(rng));
    const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
    const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(variance - 1)).toBeLessThan(0.05);
  });
});

describe('a fixed point', () => {
  it('is found in few steps, and is one', () => {
    const { x, converged, iterations } = fixedPoint(Math.cos, 1, 1e-12, 50);
    expect(x).toBeCloseTo(0.7390851332151607, 12);
    expect([converged, iterations < 10]).toEqual([true, true]);
  });

  it('is none where the search does not settle, and says so', () => {
    const flips = fixedPoint((x) => -x, 1, 1e-12, 20);
    expect(flips.converged).toBe(false);
    expect(() => settled(flips)).toThrow(/no answer settled in 20 steps/);
    expect(settled(fixedPoint((x) => x, 3, 1e-12, 5))).toBe(3);
  });
});
