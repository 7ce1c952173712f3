/** Row after row. */
export type Square = readonly Float64Array[];

/**
 * The lower triangle L with L·Lᵀ = the matrix (Cholesky).
 * @param matrix symmetric and positive definite
 */
export function cholesky(matrix: Square): Float64Array[] {
  const n = matrix.length;
  const lower = Array.from({ length: n }, () => new Float64Array(n));
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const [a, b] = [lower[i], lower[j]] as [Float64Array, Float64Array];
      let sum = matrix[i]?.[j] ?? 0;
      for (let k = 0; k < j; k++) sum -= (a[k] ?? 0) * (b[k] ?? 0);
      a[j] = i === j ? Math.sqrt(Math.max(Number.EPSILON, sum)) : sum / (b[j] ?? 1);
    }
  return lower;
}

/** x with L·x = y. */
export function forwardSolve(lower: Square, y: ArrayLike<number>): Float64Array {
  const x = Float64Array.from(y);
  lower.forEach((row, i) => {
    let sum = x[i] ?? 0;
    for (let k = 0; k < i; k++) sum -= (row[k] ?? 0) * (x[k] ?? 0);
    x[i] = sum / (row[i] ?? 1);
  });
  return x;
}

/** x with Lᵀ·x = y. */
export function backwardSolve(lower: Square, y: ArrayLike<number>): Float64Array {
  const x = Float64Array.from(y);
  for (let i = x.length - 1; i >= 0; i--) {
    let sum = x[i] ?? 0;
    for (let k = i + 1; k < x.length; k++) sum -= (lower[k]?.[i] ?? 0) * (x[k] ?? 0);
    x[i] = sum / (lower[i]?.[i] ?? 1);
  }
  return x;
}
