import { describe, expect, it } from 'vitest';
import type { ReadingPoint } from '../record/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import { point } from '../testing/readingPoint.ts';
import { STILL, stillnessOf } from './stillness.ts';

const isProven = (...points: ReadingPoint[]): boolean => stillnessOf(points).isProven;

describe('stillness', () => {
  it.each<[string, ReadingPoint[], boolean]>([
    ['one reading', [point(0, 0.994)], false],
    ['two, two weeks apart', [point(0, 0.994), point(14, 0.994)], true],
    ['two, a day short of it', [point(0, 0.994), point(13, 0.994)], false],
    ['three over a week', [point(0, 0.994), point(3, 0.994), point(7, 0.994)], true],
    ['three over six days', [point(0, 0.994), point(3, 0.994), point(6, 0.994)], false],
    ['three of which two are one look at the glass', [point(0, 0.994), point(6, 0.994), point(8, 0.994)], false],
    ['a point a week for two weeks', [point(0, 0.996), point(14, 0.994)], true],
    ['a little more than a point a week', [point(0, 0.9961), point(14, 0.994)], false],
    ['just under a point a week, by three', [point(0, 0.9949), point(4, 0.9944), point(7, 0.994)], true],
    ['just over a point a week, by three', [point(0, 0.9952), point(4, 0.9946), point(7, 0.994)], false],
    ['one that scatters in between', [point(0, 0.994), point(4, 0.9944), point(8, 0.9972), point(12, 0.9938), point(15, 0.994)], true],
    ['a last one that scatters by two points', [point(0, 0.994), point(5, 0.9942), point(10, 0.994), point(15, 0.992)], true],
    ['falling by three points a week', [point(0, 1), point(4, 0.9983), point(8, 0.9966), point(12, 0.9949)], false],
    ['rising by its noise', [point(0, 0.994), point(14, 0.9955)], true],
    ['floats alone', [point(0, 0.994, { instrument: 'float' }), point(14, 0.994, { instrument: 'float' })], false],
    ['what the ledger does not believe', [point(0, 0.994), point(14, 0.994, { verdict: 'unexplained' })], false],
  ])('%s', (_name, points, proven) => {
    expect(isProven(...points)).toBe(proven);
  });

  it('says when the next reading would prove it', () => {
    expect(stillnessOf([point(0, 0.994)]).provenAt).toBe(STILL.twoDays * DAY_MS);
    expect(stillnessOf([point(0, 0.994), point(3, 0.994)]).provenAt).toBe(STILL.threeDays * DAY_MS);
    expect(stillnessOf([point(0, 0.994), point(6, 0.994)]).provenAt, 'a third look lies apart from the second').toBe(9 * DAY_MS);
  });
});
