import type { Root } from './root.ts';

/**
 * Where x = g(x), found by putting the answer in again, each step lengthened by the slope that the last two showed
 * (Wegstein, Communications of the ACM 1 (1958) 9–13).
 *
 * @param tolerance of |g(x) − x|, as a share of x
 */
export function fixedPoint(g: (x: number) => number, start: number, tolerance: number, maxIterations: number): Root {
  let before = start;
  let gBefore = g(before);
  let x = gBefore;
  if (Math.abs(gBefore - before) <= tolerance * Math.abs(gBefore)) return { x, converged: true, iterations: 1 };
  for (let iterations = 2; iterations <= maxIterations; iterations++) {
    const gx = g(x);
    if (Math.abs(gx - x) <= tolerance * Math.abs(gx)) return { x: gx, converged: true, iterations };
    const slope = (gx - gBefore) / (x - before);
    const longer = x + (gx - x) / (1 - slope);
    before = x;
    gBefore = gx;
    x = Math.abs(slope) < 0.9 ? longer : gx;
  }
  return { x, converged: false, iterations: maxIterations };
}

/** The root that a search ended with. @throws RangeError where it did not settle: an answer is then no answer */
export function settled({ x, converged, iterations }: Root): number {
  if (!converged || !Number.isFinite(x)) throw new RangeError(`no answer settled in ${iterations} steps`);
  return x;
}
