/* Tables that no spreadsheet writes: each is read to the end or refused in words. */
import { DEFAULT_PRACTICE, misfitOf, shelfItemShape } from '@hollow-bell/contract';
import { Refusal } from '@hollow-bell/core/quantities';
import { guessRoles, readTable, tableOf } from '@hollow-bell/tell/readings';
import { csvToShelf } from '@hollow-bell/tell/shelf-in';
import { chanceOf, counter, pick } from './part.ts';
import type { Part } from './part.ts';

const CELLS = [
  '',
  '1.050',
  '1,050',
  '"',
  '""',
  "'",
  ';',
  ',',
  '\t',
  '\n',
  '\r',
  '\0',
  '\uD800',
  'constructor',
  '__proto__',
  'toString',
  '=1+1',
  '2026-02-30',
  '3.11.2026 25:61',
  '1e999',
  '-0',
  'NaN',
  'x'.repeat(5000),
  'ingredient',
  'honey',
  'yeast',
  'bottle',
  'kind',
  'name',
  'when',
  'gravity',
  '🍯',
  '٣',
];
const GOOD = ['vessel,5 L jug,jug,5.3,glass,1', '2026-11-03 18:40,1.048,foam'];
const MOST_ROWS = 60;
const MOST_CELLS = 12;

export const tables: Part = async ({ seed, count, from }) => {
  const { counts, faults, add, fault } = counter();
  const by = { units: DEFAULT_PRACTICE.units, locale: 'en' } as const;
  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'tables', index);
    const between = pick([',', ';', '\t', '|'], chance);
    const heading =
      chance() < 0.6
        ? `${pick(['kind,name,shape,capacity_l,material,stock_g', 'when,gravity,note', 'date;sg;temp'], chance).replaceAll(/[,;]/g, between)}\n`
        : '';
    const text = `${heading}${Array.from({ length: Math.floor(chance() * MOST_ROWS) }, () =>
      chance() < 0.4
        ? pick(GOOD, chance).replaceAll(',', between)
        : Array.from({ length: Math.floor(chance() * MOST_CELLS) }, () => pick(CELLS, chance)).join(between),
    ).join('\n')}`;
    try {
      const shelf = csvToShelf(
        text,
        () => '00000000-0000-4000-8000-000000000000',
        (item) => misfitOf(shelfItemShape, item),
      );
      const table = tableOf(text);
      const read = readTable(table, {
        roles: guessRoles(table),
        order: 'day first',
        by,
        tempUnit: 'c',
        instruments: { calibrationC: 20, phMeter: null },
        now: Date.UTC(2026, 10, 28),
        onRecord: [],
      });
      add('tables');
      add('rows taken', shelf.items.length + read.good.length);
      add('rows refused', shelf.problems.length + read.problems.length);
    } catch (error) {
      if (error instanceof Refusal) add('refused whole');
      else fault(`${String(error)}: --only tables --seed ${seed} --from ${index}`);
    }
  }
  return Promise.resolve({ counts, faults });
};
