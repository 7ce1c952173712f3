import type { ShelfItem } from '@hollow-bell/contract';
import { referenceIngredient } from '@hollow-bell/core/ingredients';
import { Refusal, readNumber } from '@hollow-bell/core/quantities';
import Papa from 'papaparse';
import { MOST_ROWS, TOO_MANY, cleaned } from './csv.ts';
import type { ShelfColumn } from './shelf.ts';

interface RowProblem {
  /** As the spreadsheet counts: the heading is row 1. */
  row: number;
  sentence: string;
}
export interface ReadCsv {
  items: ShelfItem[];
  problems: RowProblem[];
}

/** Reads a table of the shelf. Rows that are wrong are named with what is wrong; the caller imports all or nothing. */
export function csvToShelf(text: string, newId: () => string, misfitOf: (item: unknown) => Misfit | null): ReadCsv {
  const parsed = Papa.parse<Record<string, string>>(cleaned(text), {
    header: true,
    preview: MOST_ROWS + 1,
    skipEmptyLines: 'greedy',
    transformHeader: (heading) => heading.trim().toLowerCase(),
  });
  const fields = parsed.meta.fields ?? [];
  const missing = ['kind', 'name'].filter((column) => !fields.includes(column));
  if (missing.length > 0)
    return {
      items: [],
      problems: [{ row: 1, sentence: `The heading lacks ${missing.join(' and ')}; the first row must name the columns.` }],
    };
  if (parsed.data.length > MOST_ROWS) return { items: [], problems: [{ row: MOST_ROWS + 2, sentence: TOO_MANY }] };
  const items: ShelfItem[] = [];
  const problems: RowProblem[] = [];
  parsed.data.forEach((cells, i) => {
    const row = i + 2;
    try {
      const item = itemOf(cells, newId);
      const misfit = misfitOf(item);
      if (misfit === null) items.push(item as ShelfItem);
      else problems.push({ row, sentence: sentenceOf(misfit) });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      problems.push({ row, sentence: error.message });
    }
  });
  const ids = new Map<string, number>();
  items.forEach((item, i) => {
    if (ids.has(item.id)) problems.push({ row: i + 2, sentence: `${item.name} has the id of another row; ids must differ.` });
    ids.set(item.id, i);
  });
  if (parsed.data.length === 0) problems.push({ row: 1, sentence: 'There are no rows under the heading.' });
  return { items, problems: problems.sort((a, b) => a.row - b.row) };
}

/** What is wrong with a row, and in which column where the sentence itself does not say. */
interface Misfit {
  path: readonly (string | number)[];
  says: string;
}
const NO_KIND = 'The kind must be ingredient, yeast, nutrient, chemical, vessel, instrument, bottle or closure.';

function sentenceOf({ path, says }: Misfit): string {
  if (path.at(-1) === 'kind') return NO_KIND;
  const where = path.filter((part) => part !== 'detail' && part !== 'composition').join(' ');
  return where === '' || !BARE.test(says) ? says : `${where}: ${says}`;
}
/** Sentences that do not say what they speak of. */
const BARE = /^(It |A number |At (most|least) |Words |Something )/;

function itemOf(cells: Record<string, string>, newId: () => string): unknown {
  const text = (column: ShelfColumn): string => (cells[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '');
  const number = (column: ShelfColumn, fallback: number): number => {
    if (text(column) === '') return fallback;
    try {
      return readNumber(text(column), { units: 'metric', locale: 'en' });
    } catch {
      throw new Refusal(`${column} is “${text(column)}”, which is not a number.`);
    }
  };
  const orNull = (column: ShelfColumn): number | null => (text(column) === '' ? null : number(column, 0));
  /** A figure that a row may lack. */
  const figure = (field: string, column: ShelfColumn): object => (text(column) === '' ? {} : { [field]: number(column, 0) });
  const share = (column: ShelfColumn, fallback: number): number => number(column, 100 * fallback) / 100;
  const common = {
    id: text('id') === '' ? newId() : text('id'),
    name: text('name'),
    stockG: number('stock_g', 0),
    pricePerKg: orNull('price_per_kg'),
    expiresOn: text('expires_on') === '' ? null : text('expires_on'),
    note: text('note'),
    putAway: /^(yes|true|1)$/i.test(text('put_away')),
  };
  const kind = text('kind').toLowerCase();
  if (kind === 'ingredient') {
    const like = referenceIngredient(text('like'));
    if (text('like') !== '' && like === undefined) throw new Refusal(`like is “${text('like')}”, which is no row of the reference table.`);
    const given = text('traits')
      .split(',')
      .map((trait) => trait.trim())
      .filter((trait) => trait !== '');
    const traits = given.length > 0 ? given : (like?.traits ?? []);
    const base = like?.composition ?? { sugar: 0, unfermentable: 0, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 };
    return {
      ...common,
      detail: {
        kind,
        family: text('family') === '' ? like?.family : text('family'),
        makes: text('makes') === '' ? (like?.makes ?? 'none') : text('makes'),
        sugarSpread: share('sugar_spread_pct', like?.sugarSpread ?? 0),
        ...(traits.length === 0 ? {} : { traits }),
        composition: {
          sugar: share('sugar_pct', base.sugar),
          unfermentable: share('unfermentable_pct', base.unfermentable),
          insoluble: share('insoluble_pct', base.insoluble),
          ammoniumNMgPerKg: number('ammonium_n_mg_kg', base.ammoniumNMgPerKg),
          aminoNMgPerKg: number('amino_n_mg_kg', base.aminoNMgPerKg),
          acidGPerKg: number('acid_g_kg', base.acidGPerKg),
        },
      },
    };
  }
  if (kind === 'yeast') {
    const value = orNull('tolerance_abv');
    const tolerance =
      value === null ? {} : { toleranceAbv: { value, low: number('tolerance_low', value), high: number('tolerance_high', value) } };
    const demand = text('nitrogen_demand') === '' ? {} : { demand: text('nitrogen_demand') };
    const called = text('yeast_called') === '' ? {} : { name: text('yeast_called') };
    const low = orNull('temp_low_c');
    const warmth = low === null ? {} : { tempC: { low, high: number('temp_high_c', low) } };
    return {
      ...common,
      detail: {
        kind,
        typeId: text('yeast_type'),
        own: { ...called, ...tolerance, ...demand, ...warmth, ...figure('phFloor', 'ph_floor') },
        ...figure('gPerPacket', 'g_per_packet'),
      },
    };
  }
  const details: Record<string, () => object> = {
    nutrient: () => ({
      ammoniumN: share('ammonium_n_pct', 0),
      aminoN: share('amino_n_pct', 0),
      gPerTeaspoon: number('g_per_teaspoon', 3),
      ...figure('gPerPacket', 'g_per_packet'),
      ...figure('capGPerL', 'cap_g_per_l'),
    }),
    chemical: () => ({
      use: text('use'),
      ...(text('is') === '' ? {} : { is: text('is') }),
      ...figure('gPerTeaspoon', 'g_per_teaspoon'),
      ...figure('gPerTablet', 'g_per_tablet'),
      ...figure('gPerPacket', 'g_per_packet'),
    }),
    vessel: () => ({
      shape: text('shape'),
      capacityL: number('capacity_l', 0),
      material: text('material'),
      neckMm: orNull('neck_mm'),
      ...figure('tareG', 'tare_g'),
    }),
    instrument: () => ({
      reads: text('reads'),
      calibrationC: orNull('calibration_c'),
      resolution: number('resolution', 0),
      ...figure('inWater', 'in_water'),
      calibratedOn: text('calibrated_on') === '' ? null : text('calibrated_on'),
      ...(text('buffer_low') === ''
        ? {}
        : {
            buffers: {
              low: { buffer: number('buffer_low', 0), read: number('buffer_low_read', 0) },
              high: { buffer: number('buffer_high', 0), read: number('buffer_high_read', 0) },
            },
          }),
    }),
    bottle: () => ({
      sizeMl: number('size_ml', 0),
      is: text('is'),
      closure: text('closure'),
      ...figure('ratedVolumes', 'rated_volumes'),
      ...figure('priceEach', 'price_each'),
    }),
    closure: () => ({
      is: text('is'),
      ...figure('lengthMm', 'length_mm'),
      ...figure('soakMin', 'soak_min'),
      ...figure('priceEach', 'price_each'),
    }),
  };
  return { ...common, detail: { kind, ...(Object.hasOwn(details, kind) ? details[kind]?.() : {}) } };
}
