import { describe, expect, it } from 'vitest';
import { damaged } from './damaged.ts';
import { kills } from './kills.ts';
import { chanceOf } from './part.ts';
import type { Part, Plant } from './part.ts';
import { PLANTS } from './planted.ts';
import { races } from './races.ts';
import { records } from './records.ts';
import { requests } from './requests.ts';
import { tables } from './tables.ts';

const asked = (part: Part, count: number, plant?: Plant) =>
  part({
    seed: 20_261_128,
    count,
    from: 0,
    clusterUrl: process.env['HOLLOW_BELL_TEST_CLUSTER'] ?? '',
    say: () => undefined,
    ...(plant === undefined ? {} : { plant }),
  });

describe('a short campaign', () => {
  it.each<[string, Part, number]>([
    ['requests that nobody should send', requests, 1500],
    ['records that make no sense', records, 6],
    ['tables that no spreadsheet writes', tables, 150],
    ['many who write the same at once', races, 12],
    ['damaged folders and backups', damaged, 4],
    ['kills', kills, 5],
  ])('of %s finds no fault', async (_, part, count) => {
    const { counts, faults } = await asked(part, count);
    expect(faults).toEqual([]);
    expect(Object.values(counts).reduce((sum, each) => sum + each, 0)).toBeGreaterThanOrEqual(count);
  });

  it.each<[keyof typeof PLANTS, Part, number, RegExp]>([
    ['a 502 now and then', requests, 120, /^502/],
    ['a connection that is cut', requests, 120, /^cut off/],
    ['a 503 that does not say why', requests, 120, /^503/],
    ['a backup that lacks a row', damaged, 1, /rows are missing/],
    ['a stored ledger that its record contradicts', records, 1, /not what its record folds to/],
    ['what is acknowledged and not written', kills, 2, /acknowledged entries are lost/],
  ])('finds %s, where that is planted', async (plant, part, count, says) => {
    const { faults } = await asked(part, count, PLANTS[plant]);
    expect(
      faults.some((fault) => says.test(fault)),
      faults.join('\n'),
    ).toBe(true);
  });

  it('draws each try by itself, so that it can be taken up anywhere', () => {
    const draws = (index: number) => [1, 2, 3].map(chanceOf(7, 'kills', index));
    expect(draws(5)).toEqual(draws(5));
    expect(draws(5)).not.toEqual(draws(6));
  });
});
