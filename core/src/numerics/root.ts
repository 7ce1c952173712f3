/** A root with what it took; `converged` is false when the tolerance was not met in the steps allowed. */
export interface Root {
  x: number;
  converged: boolean;
  iterations: number;
}

/**
 * Root of a continuous function between two ends of opposite sign: regula falsi in the Illinois form
 * (Dowell & Jarratt, BIT 11 (1971) 168–174).
 *
 * @param low,high ends of the bracket; f(low) and f(high) must not have the same sign
 * @param tolerance absolute, on x
 * @throws RangeError when the bracket holds no change of sign
 */
export function findRoot(f: (x: number) => number, low: number, high: number, tolerance: number, maxIterations = 100): Root {
  let a = low;
  let b = high;
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return { x: a, converged: true, iterations: 0 };
  if (fb === 0) return { x: b, converged: true, iterations: 0 };
  if (!(fa * fb < 0)) throw new RangeError(`no change of sign between ${low} and ${high}`);
  let x = a;
  for (let i = 1; i <= maxIterations; i++) {
    const next = (fa * b - fb * a) / (fa - fb);
    const moved = Math.abs(next - x);
    x = next;
    const fx = f(x);
    if (fx === 0 || (i > 1 && moved <= tolerance) || Math.abs(b - a) <= tolerance) return { x, converged: true, iterations: i };
    if (fx * fb < 0) {
      a = b;
      fa = fb;
    } else {
      fa /= 2;
    }
    b = x;
    fb = fx;
  }
  return { x, converged: false, iterations: maxIterations };
}
