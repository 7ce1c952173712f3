import { describe, expect, it } from 'vitest';
import { findRoot, tabulate } from './index.ts';

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
