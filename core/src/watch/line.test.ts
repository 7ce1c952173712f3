import { describe, expect, it } from 'vitest';
import { point } from '../testing/readingPoint.ts';
import { RANGE_SD } from '../quantities/index.ts';
import { levelStretches, lineBut, lineThrough } from './line.ts';

const SD = 0.002 / RANGE_SD;

describe('a line through readings', () => {
  it('falls as they do, and is as unsure as two readings are', () => {
    const { fallSg, fallSd, worst } = lineThrough([point(0, 1.01), point(4, 1.006)]);
    expect(fallSg).toBeCloseTo(0.004, 12);
    expect(fallSd).toBeCloseTo(Math.SQRT2 * SD, 12);
    expect(worst).toBeCloseTo(0, 9);
  });

  it('is surer by more readings, and heeds the unsure ones less', () => {
    const days = [0, 2, 4, 6, 8];
    const many = lineThrough(days.map((day) => point(day, 1.01)));
    expect(many.fallSd).toBeLessThan(Math.SQRT2 * SD);
    const bent = (plusMinus: number) =>
      lineThrough([...days.slice(0, 4).map((day) => point(day, 1.01)), point(8, 1, { plusMinus })]).fallSg;
    expect(bent(0.006)).toBeLessThan(bent(0.002));
  });

  it('tells nothing of one', () => {
    const { fallSg, fallSd } = lineThrough([point(0, 1.01)]);
    expect(fallSg).toBeCloseTo(0, 12);
    expect(fallSd).toBe(Number.POSITIVE_INFINITY);
  });

  it('lets one slip go among four, not among three, and never the first or the last', () => {
    const level = [0, 2, 4, 6].map((day) => point(day, 1.01));
    const slipAt = (i: number, of = level) => lineBut(of.map((each, k) => (k === i ? { ...each, sg: each.sg + 0.009 } : each)));
    expect(slipAt(1)!.fallSg).toBeCloseTo(0, 12);
    expect(slipAt(1, level.slice(0, 3))).toBeNull();
    expect([slipAt(0), slipAt(3)].map((line) => line === null || Math.abs(line.fallSg) > 0.002)).toEqual([true, true]);
  });
});

describe('a level stretch', () => {
  it('is the longest that its errors allow', () => {
    const readings = [point(0, 1.05), point(2, 1.04), point(4, 1.03), point(6, 1.0295), point(8, 1.0302), point(10, 1.0298)];
    expect(levelStretches(readings)[0]!.from).toBe(2);
    expect(levelStretches(readings).at(-1)!.from).toBe(5);
  });
});
