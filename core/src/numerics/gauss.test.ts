import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { backwardSolve, cholesky, forwardSolve } from './index.ts';

const n = 4;
const entries = fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: n * n, maxLength: n * n });
/** A·Aᵀ + 1 is symmetric and positive definite whatever A is. */
const definite = (a: readonly number[]): Float64Array[] =>
  Array.from({ length: n }, (_, i) =>
    Float64Array.from({ length: n }, (__, j) => {
      const dot = Array.from({ length: n }, (___, k) => (a[n * i + k] ?? 0) * (a[n * j + k] ?? 0)).reduce((sum, each) => sum + each, 0);
      return dot + (i === j ? 1 : 0);
    }),
  );
const times = (rows: readonly Float64Array[], x: ArrayLike<number>): number[] =>
  rows.map((row) => row.reduce((sum, each, k) => sum + each * (x[k] ?? 0), 0));

describe('a symmetric matrix', () => {
  it('is the product of its lower triangle and that turned over', () => {
    fc.assert(
      fc.property(entries, (a) => {
        const matrix = definite(a);
        const lower = cholesky(matrix);
        matrix.forEach((row, i) =>
          row.forEach((each, j) => {
            const product = lower[i]!.reduce((sum, left, k) => sum + left * lower[j]![k]!, 0);
            expect(product).toBeCloseTo(each, 8);
          }),
        );
        expect(lower[0]![1]).toBe(0);
      }),
      { numRuns: 50, seed: 1 },
    );
  });

  it('is solved through its triangle, forward and back', () => {
    fc.assert(
      fc.property(entries, fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: n, maxLength: n }), (a, x) => {
        const matrix = definite(a);
        const lower = cholesky(matrix);
        const found = backwardSolve(lower, forwardSolve(lower, times(matrix, x)));
        x.forEach((each, i) => expect(found[i]!).toBeCloseTo(each, 6));
      }),
      { numRuns: 50, seed: 2 },
    );
  });
});
