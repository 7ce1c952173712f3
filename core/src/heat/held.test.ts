import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MINUTE_MS } from '../quantities/index.ts';
import { HOLDS_MIN, LOG_STALLS_MIN, heldOf, isHeld } from './index.ts';
import type { CoreReading } from './index.ts';

const log = (...points: [minute: number, coreC: number][]): CoreReading[] =>
  points.map(([minute, coreC]) => ({ at: minute * MINUTE_MS, coreC }));

describe('what a heating has come to', () => {
  it('begins to count when the core reads 60 °C; what came on the way up is shown beside it', () => {
    const { units, unitsOnTheWay, minutes, since } = heldOf(log([0, 50], [10, 58], [15, 60], [25, 60]));
    expect(since).toBe(15 * MINUTE_MS);
    // Ten minutes at 60 °C are ten units; half a degree less is 1.393^-0.5 = 0.847 of them, half more 1.180.
    expect([units.value, minutes]).toEqual([10, 10]);
    expect(units.low).toBeCloseTo(8.47, 2);
    expect(units.high).toBeCloseTo(11.8, 2);
    // On the way: 10 min between rates 0.0363 and 0.5153, 5 min between 0.5153 and 1.
    expect(unitsOnTheWay).toBeCloseTo(10 * ((0.0363 + 0.5153) / 2) + 5 * ((0.5153 + 1) / 2), 2);
  });

  it.each([
    [59.9, null],
    [60, 0],
  ])('at a core of %d °C it has begun: %s', (coreC, since) => {
    expect(heldOf(log([0, coreC], [5, coreC])).since).toBe(since);
  });

  it('counts nothing over a gap in which nobody knows what the core did', () => {
    expect(heldOf(log([0, 61], [LOG_STALLS_MIN, 61])).units.value).toBeGreaterThan(10);
    expect(heldOf(log([0, 61], [LOG_STALLS_MIN + 0.1, 61])).units.value).toBe(0);
  });

  it('looks at the last heating alone', () => {
    expect(heldOf(log([0, 62], [9, 62], [500, 20], [505, 25])).units.value).toBe(0);
    expect(heldOf([]).last).toBeNull();
  });

  it('is met by both its minutes and its units', () => {
    const [short] = HOLDS_MIN;
    expect(isHeld({ minutes: short, units: short }, short)).toBe(true);
    expect(isHeld({ minutes: short - 0.1, units: 40 }, short)).toBe(false);
    expect(isHeld({ minutes: 40, units: short - 0.1 }, short)).toBe(false);
  });

  it('never loses units by a further reading, and its range holds them', () => {
    const some = fc.array(fc.tuple(fc.double({ min: 0.5, max: 9, noNaN: true }), fc.double({ min: 40, max: 72, noNaN: true })), {
      minLength: 1,
      maxLength: 30,
    });
    fc.assert(
      fc.property(some, (steps) => {
        let minute = 0;
        const points = steps.map(([step, coreC]): [number, number] => [(minute += step), coreC]);
        let before = 0;
        points.forEach((_, i) => {
          const { units } = heldOf(log(...points.slice(0, i + 1)));
          expect(units.value).toBeGreaterThanOrEqual(before);
          expect(units.low).toBeLessThanOrEqual(units.value);
          expect(units.high).toBeGreaterThanOrEqual(units.value);
          before = units.value;
        });
      }),
    );
  });
});
