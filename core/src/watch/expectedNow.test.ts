import { describe, expect, it } from 'vitest';
import { courseOf, feedingPlanOf } from '../feed/index.ts';
import { HOUR_MS, plainly } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import { reading } from '../testing/examples.ts';
import { besideExpected, expectedGravity } from './index.ts';

describe('the gravity that is expected while it ferments', () => {
  const ledger = exampleBatch('allround', [60, reading(1.09)], [96, reading(1.07)]);
  const course = courseOf(feedingPlanOf(ledger, EXAMPLE_PRACTICE)!, ledger)!;
  const at = (hour: number): Ranged => expectedGravity(course, ledger, MIXED_AT + hour * HOUR_MS);

  it('is what was read at the reading, and falls from there without rising again', () => {
    expect(at(96).value).toBeCloseTo(1.07, 2);
    const hours = Array.from({ length: 40 }, (_, i) => 96 + 24 * i);
    const course = hours.map((hour) => at(hour));
    for (const [i, { value, low, high }] of course.entries()) {
      expect(low).toBeLessThanOrEqual(value + 1e-9);
      expect(high).toBeGreaterThanOrEqual(value - 1e-9);
      expect(value).toBeLessThanOrEqual((course[i - 1]?.value ?? 2) + 1e-9);
    }
    expect(course.at(-1)!.value).toBeLessThan(1.01);
  });
});

describe('what was read, beside what is expected', () => {
  const expected = { value: 1.013, low: 1.006, high: 1.021 };
  const last = { sg: 1.021, at: MIXED_AT };
  const told = (sg: number, among: Ranged | null = expected, before: typeof last | null = last): string =>
    plainly(besideExpected({ sg, plusMinus: 0.002 }, among, before));

  it.each([
    [1.023, 'as expected, 2 points above'],
    [1.0231, '10 points above the 1.013 that is expected, 2 points above'],
    [1.004, 'as expected, 17 points below'],
    [1.0039, '9 points below the 1.013 that is expected, 17 points below'],
    [1.021, 'as expected, the same as'],
  ])('%d', (sg, says) => {
    expect(told(sg)).toContain(says);
  });

  it('says what there is to say, and nothing where there is nothing', () => {
    expect(told(1.012, null)).toMatch(/^9 points below/);
    expect(told(1.012, expected, null)).toBe('as expected');
    expect(told(1.012, null, null)).toBe('');
  });
});
