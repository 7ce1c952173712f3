/**
 * A smooth function kept as a table of even steps and read by cubic interpolation (Catmull–Rom). Where the function is
 * smooth on the scale of a step, the error is far below anything measured; callers test it against the function itself.
 *
 * @param low,high range of x for which the table answers
 * @returns reads the table; outside the range the answer is NaN
 */
export function tabulate(f: (x: number) => number, low: number, high: number, step: number): (x: number) => number {
  const count = Math.ceil((high - low) / step) + 3;
  const values = Float64Array.from({ length: count }, (_, i) => f(low + (i - 1) * step));
  return (x) => {
    if (!(x >= low && x <= high)) return Number.NaN;
    const at = (x - low) / step;
    const i = Math.min(Math.floor(at), count - 4);
    const t = at - i;
    const a = values[i] ?? Number.NaN;
    const b = values[i + 1] ?? Number.NaN;
    const c = values[i + 2] ?? Number.NaN;
    const d = values[i + 3] ?? Number.NaN;
    return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
  };
}
