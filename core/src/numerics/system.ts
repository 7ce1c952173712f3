/** Where a search for several unknowns ended. */
export interface SystemRoot {
  x: number[];
  converged: boolean;
  iterations: number;
  /** Largest residual there. */
  residual: number;
  /** Index of an unknown that was driven to nothing, or −1. */
  vanished: number;
}

/**
 * Root of a small smooth system whose unknowns must stay positive: Newton with a forward-difference Jacobian, halved steps
 * until the residual falls, and never more than 95 % of the way to zero (Nocedal & Wright, Numerical Optimization, ch. 11).
 *
 * @param f residuals, as many as there are unknowns, each scaled so that 1 is a large miss
 * @param start positive
 * @param tolerance on the largest residual
 */
export function solveSystem(f: (x: readonly number[]) => number[], start: readonly number[], tolerance: number): SystemRoot {
  let x = [...start];
  let r = f(x);
  let size = norm(r);
  for (let iterations = 0; iterations < 60; iterations++) {
    if (size <= tolerance) return { x, converged: true, iterations, residual: size, vanished: -1 };
    const step = gauss(jacobian(f, x, r), r);
    if (step === null) return { x, converged: false, iterations, residual: size, vanished: vanishedIn(x, start) };
    let reach = 1;
    x.forEach((value, i) => {
      const s = step[i] ?? 0;
      if (s > 0) reach = Math.min(reach, (0.95 * value) / s);
    });
    let next = x;
    let nextR = r;
    let nextSize = Number.POSITIVE_INFINITY;
    for (let halving = 0; halving < 25 && !(nextSize < size); halving++, reach /= 2) {
      next = x.map((value, i) => value - reach * (step[i] ?? 0));
      nextR = f(next);
      nextSize = norm(nextR);
    }
    if (!(nextSize < size)) return { x, converged: false, iterations, residual: size, vanished: vanishedIn(x, start) };
    x = next;
    r = nextR;
    size = nextSize;
  }
  return { x, converged: false, iterations: 60, residual: size, vanished: vanishedIn(x, start) };
}

const norm = (r: readonly number[]): number => Math.max(...r.map((value) => (Number.isFinite(value) ? Math.abs(value) : Infinity)));

/** Shrunk a thousandfold from where it began: it wants to be less than nothing. */
const vanishedIn = (x: readonly number[], start: readonly number[]): number => x.findIndex((value, i) => value < 1e-3 * (start[i] ?? 1));

function jacobian(f: (x: readonly number[]) => number[], x: readonly number[], r: readonly number[]): number[][] {
  const columns = x.map((value, i) => {
    const h = 1e-6 * (Math.abs(value) + 1e-3);
    const moved = f(x.with(i, value + h));
    return moved.map((m, row) => (m - (r[row] ?? 0)) / h);
  });
  return r.map((_, row) => columns.map((column) => column[row] ?? 0));
}

/** Solves A·s = b by elimination with row pivoting; null where A is singular. */
function gauss(a: readonly number[][], b: readonly number[]): number[] | null {
  const n = b.length;
  const rows = a.map((row, i) => [...row, b[i] ?? 0]);
  for (let col = 0; col < n; col++) {
    const pivot = rows
      .slice(col)
      .reduce((best, row, i) => (Math.abs(row[col] ?? 0) > Math.abs(rows[best]?.[col] ?? 0) ? col + i : best), col);
    const top = rows[pivot];
    if (top === undefined || !(Math.abs(top[col] ?? 0) > 1e-14)) return null;
    rows[pivot] = rows[col] ?? [];
    rows[col] = top;
    for (const row of rows.slice(col + 1)) {
      const factor = (row[col] ?? 0) / (top[col] ?? 1);
      for (let k = col; k <= n; k++) row[k] = (row[k] ?? 0) - factor * (top[k] ?? 0);
    }
  }
  const s = new Array<number>(n).fill(0);
  for (let row = n - 1; row >= 0; row--) {
    const known = s.reduce((sum, value, k) => (k > row ? sum + value * (rows[row]?.[k] ?? 0) : sum), 0);
    s[row] = ((rows[row]?.[n] ?? 0) - known) / (rows[row]?.[row] ?? 1);
  }
  return s;
}
