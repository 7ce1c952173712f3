import { describe, expect, it } from 'vitest';
import { descentOptions } from './options.ts';
import type { ChartColors } from '../../../composables/useChartColors.ts';
import type { DescentData } from './options.ts';
import { DAY_MS } from '@hollow-bell/core/quantities';

const colors: ChartColors = {
  ink: '#000',
  quiet: '#111',
  rule: '#222',
  bronze: '#333',
  bronzeSoft: '#444',
  verdigris: '#555',
  madder: '#666',
};
const data: DescentData = {
  startAt: 0,
  endAt: 10 * DAY_MS,
  readings: [
    { at: 0, sg: 1.1, plusMinus: 0.002, follows: true, isFloat: false },
    { at: 4 * DAY_MS, sg: 1.05, plusMinus: 0.003, follows: true, isFloat: false },
    { at: 5 * DAY_MS, sg: 1.12, plusMinus: 0.002, follows: false, isFloat: false },
  ],
  temps: [
    { at: 0, tempC: 20 },
    { at: 5 * DAY_MS, tempC: 19 },
  ],
  float: [],
  happenings: [{ at: DAY_MS, told: 'fed' }],
  thirdBreakSg: 1.066,
  end: { value: 0.992, low: 0.99, high: 0.998 },
  units: 'metric',
  forecast: [],
  compared: [],
};
type Series = { name: string; data: unknown[]; markLine?: { data: object[] }; markArea?: object };
const seriesOf = (given: DescentData, name: string): Series =>
  (descentOptions(given, colors).series as Series[]).find((series) => series.name === name)!;

describe('the descent chart', () => {
  it('joins the readings the ledger follows and sets the others apart', () => {
    expect(seriesOf(data, 'gravity').data).toEqual([
      [0, 1.1],
      [4, 1.05],
    ]);
    expect(seriesOf(data, 'not followed').data).toEqual([[5, 1.12]]);
  });

  it('gives every reading its own error', () => {
    const bars = seriesOf(data, 'error').data as [number, number][];
    expect(bars[3]![1]).toBeCloseTo(1.047, 9);
    expect(bars[4]![1]).toBeCloseTo(1.053, 9);
  });

  it('shows everything there is between its axes, in whole steps', () => {
    const [axis] = descentOptions(data, colors).yAxis as { min: number; max: number }[];
    expect(axis!.min).toBeLessThanOrEqual(0.99);
    expect(axis!.max).toBeGreaterThanOrEqual(1.122);
    expect((axis!.max - axis!.min) / 0.02).toBeCloseTo(Math.round((axis!.max - axis!.min) / 0.02), 6);
  });

  it('draws no band and no break where none is known', () => {
    const bare = { ...data, end: null, thirdBreakSg: null, happenings: [] };
    expect(seriesOf(bare, 'gravity').markArea).toBeUndefined();
    expect(seriesOf(bare, 'gravity').markLine!.data).toEqual([]);
    expect(seriesOf(data, 'gravity').markLine!.data).toHaveLength(2);
  });

  it('draws the plan beside what is asked instead, within its axes', () => {
    const compared = [{ at: 12 * DAY_MS, low: 0.97, middle: 1, high: 1.01 }];
    expect(seriesOf({ ...data, compared }, 'forecast')).toBeUndefined();
    const asked = { ...data, forecast: [{ at: 11 * DAY_MS, low: 1, middle: 1.01, high: 1.02 }], compared };
    expect(seriesOf(asked, 'as planned').data).toEqual([[12, 1]]);
    expect((descentOptions(asked, colors).yAxis as { min: number }[])[0]!.min).toBeLessThanOrEqual(0.97);
  });

  it('reads warmth in the maker’s degrees', () => {
    expect(seriesOf({ ...data, units: 'us' }, 'temperature').data[0]).toEqual([0, 68]);
  });
});
