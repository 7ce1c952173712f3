import type { ShelfItem } from '@hollow-bell/contract';
import { referenceIngredient } from '@hollow-bell/core/ingredients';
import { Refusal, readNumber } from '@hollow-bell/core/quantities';
import Papa from 'papaparse';
import { guarded } from './csv.ts';

/** One flat row for every kind of thing; what a kind does not have stays empty. */
const COLUMNS = [
  'id',
  'kind',
  'name',
  'stock_g',
  'price_per_kg',
  'expires_on',
  'note',
  'put_away',
  'family',
  'makes',
  'sugar_pct',
  'unfermentable_pct',
  'insoluble_pct',
  'ammonium_n_mg_kg',
  'amino_n_mg_kg',
  'acid_g_kg',
  'sugar_spread_pct',
  'like',
  'yeast_type',
  'tolerance_abv',
  'tolerance_low',
  'tolerance_high',
  'nitrogen_demand',
  'ammonium_n_pct',
  'amino_n_pct',
  'g_per_teaspoon',
  'g_per_packet',
  'g_per_tablet',
  'cap_g_per_l',
  'use',
  'is',
  'shape',
  'capacity_l',
  'material',
  'neck_mm',
  'tare_g',
  'reads',
  'calibration_c',
  'resolution',
  'in_water',
  'calibrated_on',
  'size_ml',
  'closure',
  'rated_volumes',
  'length_mm',
  'soak_min',
  'price_each',
] as const;
type Column = (typeof COLUMNS)[number];
type Row = Partial<Record<Column, string | number>>;

const pct = (share: number): number => Number((100 * share).toFixed(4));

function detailColumns({ detail }: ShelfItem): Row {
  switch (detail.kind) {
    case 'ingredient': {
      const { family, makes, composition, sugarSpread } = detail;
      return {
        family,
        makes,
        sugar_pct: pct(composition.sugar),
        unfermentable_pct: pct(composition.unfermentable),
        insoluble_pct: pct(composition.insoluble),
        ammonium_n_mg_kg: composition.ammoniumNMgPerKg,
        amino_n_mg_kg: composition.aminoNMgPerKg,
        acid_g_kg: composition.acidGPerKg,
        sugar_spread_pct: pct(sugarSpread),
      };
    }
    case 'yeast': {
      const tolerance = detail.own.toleranceAbv;
      const figures =
        tolerance === undefined ? {} : { tolerance_abv: tolerance.value, tolerance_low: tolerance.low, tolerance_high: tolerance.high };
      return { yeast_type: detail.typeId, ...figures, nitrogen_demand: detail.own.demand ?? '', g_per_packet: detail.gPerPacket ?? '' };
    }
    case 'nutrient':
      return {
        ammonium_n_pct: pct(detail.ammoniumN),
        amino_n_pct: pct(detail.aminoN),
        g_per_teaspoon: detail.gPerTeaspoon,
        g_per_packet: detail.gPerPacket ?? '',
        cap_g_per_l: detail.capGPerL ?? '',
      };
    case 'chemical':
      return {
        use: detail.use,
        is: detail.is ?? '',
        g_per_teaspoon: detail.gPerTeaspoon ?? '',
        g_per_tablet: detail.gPerTablet ?? '',
        g_per_packet: detail.gPerPacket ?? '',
      };
    case 'vessel':
      return {
        shape: detail.shape,
        capacity_l: detail.capacityL,
        material: detail.material,
        neck_mm: detail.neckMm ?? '',
        tare_g: detail.tareG ?? '',
      };
    case 'instrument':
      return {
        reads: detail.reads,
        calibration_c: detail.calibrationC ?? '',
        resolution: detail.resolution,
        in_water: detail.inWater ?? '',
        calibrated_on: detail.calibratedOn ?? '',
      };
    case 'bottle':
      return {
        size_ml: detail.sizeMl,
        is: detail.is,
        closure: detail.closure,
        rated_volumes: detail.ratedVolumes ?? '',
        price_each: detail.priceEach ?? '',
      };
    case 'closure':
      return { is: detail.is, length_mm: detail.lengthMm ?? '', soak_min: detail.soakMin ?? '', price_each: detail.priceEach ?? '' };
  }
}

/** The shelf as a table that any spreadsheet opens. */
export function shelfToCsv(items: readonly ShelfItem[]): string {
  const rows = items.map((item): Row => {
    const { id, name, stockG, pricePerKg, expiresOn, note, putAway, detail } = item;
    const common: Row = { id, kind: detail.kind, name, stock_g: stockG, price_per_kg: pricePerKg ?? '', expires_on: expiresOn ?? '', note };
    return { ...common, put_away: putAway ? 'yes' : '', ...detailColumns(item) };
  });
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((column) => guarded(row[column] ?? ''))) },
    { newline: '\n' },
  );
}

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
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
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
  const text = (column: Column): string => (cells[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '');
  const number = (column: Column, fallback: number): number => {
    if (text(column) === '') return fallback;
    try {
      return readNumber(text(column), { units: 'metric', locale: 'en' });
    } catch {
      throw new Refusal(`${column} is “${text(column)}”, which is not a number.`);
    }
  };
  const orNull = (column: Column): number | null => (text(column) === '' ? null : number(column, 0));
  /** A figure that a row may lack. */
  const figure = (field: string, column: Column): object => (text(column) === '' ? {} : { [field]: number(column, 0) });
  const share = (column: Column, fallback: number): number => number(column, 100 * fallback) / 100;
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
    const base = like?.composition ?? { sugar: 0, unfermentable: 0, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 };
    return {
      ...common,
      detail: {
        kind,
        family: text('family') === '' ? like?.family : text('family'),
        makes: text('makes') === '' ? (like?.makes ?? 'none') : text('makes'),
        sugarSpread: share('sugar_spread_pct', like?.sugarSpread ?? 0),
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
    return {
      ...common,
      detail: { kind, typeId: text('yeast_type'), own: { ...tolerance, ...demand }, ...figure('gPerPacket', 'g_per_packet') },
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
  return { ...common, detail: { kind, ...(details[kind]?.() ?? {}) } };
}
