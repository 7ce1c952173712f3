import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { eventsAt } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { describe, expect, it } from 'vitest';
import { guessRoles, readTable, readingsToCsv, tableOf } from './readings.ts';
import type { DateOrder, Role, TableWish } from './readings.ts';

const now = new Date(2026, 10, 24, 12).getTime();
const at = (day: number, hour = 12, minute = 0): number => new Date(2026, 10, day, hour, minute).getTime();
const read = (text: string, over: Partial<TableWish> = {}) => {
  const table = tableOf(text);
  return readTable(table, {
    roles: guessRoles(table),
    order: 'day first',
    tempUnit: 'c',
    by: { units: 'metric', locale: 'en-GB' },
    instruments: { calibrationC: 20, phMeter: null },
    now,
    onRecord: [],
    ...over,
  });
};

describe('a table of past readings', () => {
  it('is understood by its headings', () => {
    const found = read('Date;Gravity;Temp;pH;Comment\n2026-11-03 18:40;1,072;20,5;3,4;smells fine\n2026-11-05;1.060;;;\n');
    expect(found.problems).toEqual([]);
    expect(found.good).toEqual([
      { row: 2, at: at(3, 18, 40), payload: { sg: 1.072, tempC: 20.5, ph: 3.4, calibrationC: 20 }, note: 'smells fine' },
      { row: 3, at: at(5), payload: { sg: 1.06, calibrationC: 20 }, note: '' },
    ]);
  });

  it('without a heading is read by the roles that the maker gives', () => {
    const roles: Role[] = ['when', 'time', 'brix'];
    expect(read('3.11.2026,18:40,14.2', { roles }).good).toEqual([{ row: 1, at: at(3, 18, 40), payload: { brix: 14.2 }, note: '' }]);
  });

  it.each<[DateOrder, string, number]>([
    ['day first', '03/11/2026 6:40 PM', at(3, 18, 40)],
    ['month first', '11/03/2026 6:40 PM', at(3, 18, 40)],
    ['day first', '3.11.26', at(3)],
    ['day first', '2026-11-03T18:40', at(3, 18, 40)],
    ['month first', '2026-11-03T17:40:00Z', Date.UTC(2026, 10, 3, 17, 40)],
  ])('reads dates with the %s: “%s”', (order, written, moment) => {
    expect(read(`when,sg\n${written},1.05`, { order }).good[0]?.at).toBe(moment);
  });

  it('names each row that is wrong, and keeps the others', () => {
    const found = read(
      'when,gravity,temp\n2026-11-03,1.072,20\n2026-11-04,1072,20\nsome day,1.06,20\n2026-11-05,1.05,140\n2026-11-06,,\n2026-12-24,1.04,',
    );
    expect(found.good.map(({ row }) => row)).toEqual([2]);
    expect(found.problems.map(({ row, sentence }) => `${row} ${sentence}`)).toEqual([
      expect.stringMatching(/^3 .*Did you mean 1\.072/),
      expect.stringMatching(/^4 “some day” is no time/),
      expect.stringMatching(/^5 .*°C cannot be/),
      expect.stringMatching(/^6 Nothing was read/),
      expect.stringMatching(/^7 .*future/),
    ]);
    expect(read('gravity,temp\n1.05,20').problems[0]?.sentence).toMatch(/No column says when/);
  });

  it('leaves out what is on record to the minute, and what stands twice in the file', () => {
    const onRecord = eventsAt(at(3, 18, 40), [[0, { kind: 'reading', payload: { sg: 1.072 } }]]);
    const found = read('when,gravity\n2026-11-03 18:40,1.072\n2026-11-04,1.06\n2026-11-04,1.06', { onRecord });
    expect(found.good.map(({ row }) => row)).toEqual([3]);
    expect(found.already).toBe(2);
  });
});

describe('the readings of a batch as a table', () => {
  const rows: [number, EventContent][] = [
    [0, { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: 0.05 } }],
    [1, { kind: 'reading', payload: { sg: 1.09, tempC: 20, calibrationC: 15.56 } }],
    [30, { kind: 'reading', payload: { brix: 18.5 } }],
    [50, { kind: 'reading', payload: { sg: 1.05, instrument: 'density meter', ph: 3.4, taGPerL: 5.5, freeSo2MgPerL: 20, leesMm: 12 } }],
    [51, { kind: 'note', payload: { text: '=danger' } }],
  ];
  const events = eventsAt(at(3), rows);

  it('can be read back as they were', () => {
    const text = readingsToCsv(events, []);
    const back = read(text).good.flatMap(({ at: moment, payload }) => (payload === null ? [] : [{ at: moment, payload }]));
    const were = events.flatMap(({ kind, happenedAt, payload }) => (kind === 'reading' ? [{ at: happenedAt, payload }] : []));
    expect(back).toEqual(were);
  });

  it('holds what floats sent, and no formula', () => {
    const text = readingsToCsv(events, [{ at: at(4), sg: 1.0712, tempC: 19 }]);
    expect(text).toContain(`${new Date(at(4)).toISOString()},1.0712,,19,,,,,float,,`);
    expect(text).toContain("'=danger");
  });
});
