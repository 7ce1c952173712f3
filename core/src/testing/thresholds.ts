import { expect, it } from 'vitest';

/**
 * One threshold: what it is called in the sources, what is told at a value near it, and that on either side, as numbers and words of the
 * test's own: neither moves with the constant.
 */
export type Threshold = readonly [
  of: string,
  told: (value: number) => unknown,
  short: readonly [value: number, told: unknown],
  past: readonly [value: number, told: unknown],
];

function expectTold(told: unknown, wanted: unknown): void {
  if (wanted instanceof RegExp) expect(told).toMatch(wanted);
  else if (typeof wanted === 'number') expect(told).toBeCloseTo(wanted, 6);
  else expect(told).toEqual(wanted);
}

/** A row for each, named by its constant: `scripts/tests/numbers.test.mjs` looks for the names. */
export const holdThresholds = (rows: readonly Threshold[]): void => {
  it.each(rows.map((row) => [row[0], ...row.slice(1)] as unknown as Threshold))('%s', (_, told, short, past) => {
    for (const [value, wanted] of [short, past]) expectTold(told(value), wanted);
  });
};
