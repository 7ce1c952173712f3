import type { Root } from './root.ts';

/**
 * Where x = g(x), found by putting the answer in again.
 *
 * @param tolerance of the last step, as a share of x
 */
export function fixedPoint(g: (x: number) => number, start: number, tolerance: number, maxIterations: number): Root {
  let x = start;
  for (let i = 1; i <= maxIterations; i++) {
    const next = g(x);
    const moved = Math.abs(next - x);
    x = next;
    if (moved <= tolerance * Math.abs(next)) return { x, converged: true, iterations: i };
  }
  return { x, converged: false, iterations: maxIterations };
}

/** The root that a search ended with. @throws RangeError where it did not settle: an answer is then no answer */
export function settled({ x, converged, iterations }: Root): number {
  if (!converged || !Number.isFinite(x)) throw new RangeError(`no answer settled in ${iterations} steps`);
  return x;
}
