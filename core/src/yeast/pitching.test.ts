import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { referenceCases } from '../reference/cases.ts';
import { attemper, attemperWith, rehydrationOf } from './index.ts';

describe('bringing the starter to the must', () => {
  it.each(referenceCases('attemper_min_steps').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const i = c.inputs as Record<string, number>;
    expect(
      c.differences(() => {
        const plan = attemper(i['starter_l']!, i['t_starter']!, i['t_must']!, { maxDropC: i['max_drop']!, withinC: i['within']! });
        return { n: plan.additions, first_drop: plan.firstDropC };
      }),
    ).toEqual([]);
  });

  it('never changes it by more than allowed, ends near enough, and with one part fewer it could not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.integer({ min: 25, max: 43 }),
        fc.integer({ min: 5, max: 24 }),
        (liters, hot, cool) => {
          const { temps, additions, eachL } = attemper(liters, hot, cool);
          const all = [hot, ...temps];
          for (const [i, temp] of temps.entries()) expect(all[i]! - temp).toBeLessThanOrEqual(10 + 1e-9);
          expect(all.at(-1)! - cool).toBeLessThanOrEqual(5 + 1e-9);
          if (additions > 1) {
            const bigger = (eachL * additions) / (additions - 1);
            expect(((hot - cool) * bigger) / (liters + bigger)).toBeGreaterThan(10);
          }
        },
      ),
      { numRuns: 100, seed: 8 },
    );
  });

  it('halves the difference by each doubling, and takes the parts it is given', () => {
    // 36 °C to 20: 28, 24; within five.
    const halved = attemperWith(0.1, 36, 20, 'doubling').temps;
    expect(halved).toHaveLength(2);
    expect(halved[0]).toBeCloseTo(28, 9);
    expect(halved[1]).toBeCloseTo(24, 9);
    // 0.1 L each time: 16/2, 16/3, 16/4 left.
    const { temps } = attemperWith(0.1, 36, 20, 0.1);
    expect(temps).toHaveLength(3);
    [8, 16 / 3, 4].forEach((left, i) => expect(temps[i]! - 20).toBeCloseTo(left, 9));
    expect(() => attemperWith(0.1, 40, 20, 1e-4)).toThrow(/fifty/);
    expect(() => attemperWith(0.1, 40, 20, 0)).toThrow(Refusal);
  });

  it('needs nothing where they are near already, and refuses no starter', () => {
    expect(attemper(0.1, 24, 20).additions).toBe(0);
    expect(() => attemper(0, 40, 20)).toThrow(Refusal);
  });

  it('rehydrates 5 g in 75 ml with 6.25 g of nutrient', () => {
    expect(rehydrationOf(5)).toEqual({ waterL: 0.075, nutrientG: 6.25, tempC: 40, minutes: 15 });
  });
});
