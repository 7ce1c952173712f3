import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { carbonateDays, forceTable, gasFan, gasStyleOf, holdsOf, mostVolumesFor, ratingOf } from './index.ts';
import type { Bubbling } from './index.ts';
import { pressureIn } from './inGlass.ts';

const board: Bubbling = { volumes: 2.8, volumeL: 5.65, warmestC: 21, sg: 0.994, abv: 8, mayFallPoints: 0 };

describe('the fan of error', () => {
  it('is 2.8 as planned, 3.0 with a tenth less mead, 3.3 with a point left, 3.5 with both', () => {
    const fan = gasFan(board);
    expect(fan.slips.short).toBeCloseTo(3.02, 1);
    expect(fan.slips.point).toBeCloseTo(3.3, 1);
    expect(fan.slips.colder).toBeGreaterThan(board.volumes);
    expect(fan.slips.spoon).toBeCloseTo(3, 1);
    expect(fan.one).toBe(Math.max(...Object.values(fan.slips)));
    expect(fan.two).toBeCloseTo(3.5, 1);
  });

  it('reckons with what may still fall, and with a point at least', () => {
    expect(gasFan({ ...board, mayFallPoints: 0.4 }).one).toBeCloseTo(gasFan(board).one, 6);
    expect(gasFan({ ...board, mayFallPoints: 3 }).one).toBeGreaterThan(gasFan(board).one + 0.9);
  });

  const fanTo = (one: number, two: number) => ({ planned: 2, slips: { short: one, point: one, colder: one, spoon: one }, one, two });
  it.each([
    ['both slips under it', 2.99, 3, 'holds'],
    ['two slips above it', 2.99, 3.01, 'again'],
    ['one slip on it', 3, 3.4, 'again'],
    ['one slip above it', 3.01, 3.4, 'barred'],
  ] as const)('a used beer bottle of 3 volumes, %s', (_told, one, two, holds) => {
    expect(holdsOf({ kind: 'used beer', closure: 'crown cap' }, fanTo(one, two))).toBe(holds);
  });

  it('holds nothing where nobody said what the bottle is, or its maker says nothing', () => {
    expect(holdsOf({}, fanTo(1, 1))).toBe('unknown');
    expect(holdsOf({ kind: 'swing-top', closure: 'swing-top' }, fanTo(1, 1))).toBe('unknown');
    expect(holdsOf({ kind: 'swing-top', closure: 'swing-top', ratedVolumes: 4 }, fanTo(1, 4))).toBe('holds');
  });

  it('says the most gas that a rating bears, so that one slip just reaches it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(3, 4, 6),
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 5, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (rating, volumeL, warmestC, mayFallPoints) => {
          const plan = { ...board, volumeL, warmestC, mayFallPoints };
          const most = mostVolumesFor(rating, plan);
          if (most === null) return;
          expect(gasFan({ ...plan, volumes: most }).one).toBeLessThanOrEqual(rating + 1e-3);
          expect(gasFan({ ...plan, volumes: most + 0.01 }).one).toBeGreaterThan(rating - 1e-3);
        },
      ),
    );
    expect(mostVolumesFor(0, board)).toBeNull();
  });
});

describe('what bears gas', () => {
  it.each([
    ['a wine bottle', { kind: 'wine', closure: 'cork' }, 0],
    ['a sparkling-wine bottle under a wired cork', { kind: 'sparkling', closure: 'wired cork' }, 6],
    ['the same under a bare cork', { kind: 'sparkling', closure: 'cork' }, 0],
    ['a used beer bottle whose maker says more', { kind: 'used beer', closure: 'crown cap', ratedVolumes: 5 }, 3],
    ['and less', { kind: 'used beer', closure: 'crown cap', ratedVolumes: 2.5 }, 2.5],
    ['plastic by its maker’s word, under its own screw cap', { kind: 'plastic', closure: 'screw cap', ratedVolumes: 5 }, 5],
    ['a keg', { kind: 'keg', closure: 'lid' }, Number.POSITIVE_INFINITY],
  ] as const)('%s', (_told, row, volumes) => {
    expect(ratingOf(row)).toBe(volumes);
  });

  it.each([
    [1.09, 'still'],
    [1.1, 'prickling'],
    [1.99, 'prickling'],
    [2, 'lively'],
    [2.69, 'lively'],
    [2.7, 'sparkling'],
    [3.99, 'sparkling'],
    [4, 'full sparkle'],
  ])('%f volumes are called %s', (volumes, name) => {
    expect(gasStyleOf(volumes).name).toBe(name);
  });

  it.each([
    [9.9, null],
    [10, 42],
    [14.9, 42],
    [15, 21],
    [17.9, 21],
    [18, 14],
  ])('at %f °C bottles want so many days', (tempC, days) => {
    expect(carbonateDays(tempC)?.value ?? null).toBe(days);
  });

  it('sets a keg higher where it is warmer', () => {
    const bars = forceTable(2.5, 8).map(({ bar }) => bar);
    expect(bars).toEqual(bars.toSorted((a, b) => a - b));
    expect(bars[0]).toBeGreaterThan(0);
  });

  it('presses more in warmth, and more over air than purged', () => {
    expect(pressureIn(2.8, 30, 750, 8)).toBeGreaterThan(pressureIn(2.8, 20, 750, 8));
    expect(pressureIn(2.8, 20, 750, 8)).toBeGreaterThan(pressureIn(2.8, 20, 750, 8, null));
  });
});
