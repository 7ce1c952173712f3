import { describe, expect, it } from 'vitest';
import { MOST_ROWS, cleaned } from './csv.ts';
import { encodingOf } from './head.ts';
import { guessRoles, readTable, tableOf } from './readings.ts';
import { csvToShelf } from './shelfIn.ts';

const rows = (count: number): string => Array.from({ length: count }, (_, i) => `vessel,jug ${i},jug,5,glass`).join('\n');
const shelf = (count: number) =>
  csvToShelf(
    `kind,name,shape,capacity_l,material\n${rows(count)}`,
    () => crypto.randomUUID(),
    () => null,
  );
const readings = (count: number) => {
  const table = tableOf(
    `when,gravity\n${Array.from({ length: count }, (_, i) => `2026-01-01 00:${String(i % 60).padStart(2, '0')},1.0${i % 10}`).join('\n')}`,
  );
  return readTable(table, {
    roles: guessRoles(table),
    order: 'day first',
    by: { units: 'metric', locale: 'en' },
    tempUnit: 'c',
    instruments: { calibrationC: 20, phMeter: null },
    now: Date.UTC(2026, 10, 1),
    onRecord: [],
  });
};

describe('a long table', () => {
  it.each([MOST_ROWS, MOST_ROWS + 1])('of %i rows is taken whole, or refused whole with what is allowed', (count) => {
    const isTaken = count <= MOST_ROWS;
    expect([shelf(count).items.length, shelf(count).problems.map(({ sentence }) => sentence)]).toEqual(
      isTaken ? [count, []] : [0, [expect.stringMatching(/more than 1000 rows; split/)]],
    );
    const { good, already, problems } = readings(count);
    expect([good.length + already, problems.length]).toEqual(isTaken ? [count, 0] : [0, 1]);
  });

  it('costs no more than its head', () => {
    expect(tableOf(`when,gravity\n${'2026-01-01 10:00,1.050\n'.repeat(300_000)}`).rows).toHaveLength(MOST_ROWS + 1);
  });
});

describe('a table as some programs write it', () => {
  it('is known by its first bytes, and read without what is no letter', () => {
    expect([
      encodingOf(Uint8Array.of(0xff, 0xfe)),
      encodingOf(Uint8Array.of(0xfe, 0xff)),
      encodingOf(Uint8Array.of(0xef, 0xbb)),
      encodingOf(new Uint8Array()),
    ]).toEqual(['utf-16le', 'utf-16be', 'utf-8', 'utf-8']);
    expect(cleaned('\uFEFFwhen\0,x\uD800')).toBe('when,x');
    const read = csvToShelf(
      'kind,name\nconstructor,x\n__proto__,y',
      () => crypto.randomUUID(),
      () => null,
    );
    expect(read.problems).toEqual([]);
  });
});
