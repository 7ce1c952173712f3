import type { ShelfItem } from '@hollow-bell/contract';
import Papa from 'papaparse';
import { guarded } from './csv.ts';

/** One flat row for every kind of thing; what a kind does not have stays empty. */
const SHELF_COLUMNS = [
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
  'traits',
  'like',
  'yeast_type',
  'yeast_called',
  'tolerance_abv',
  'tolerance_low',
  'tolerance_high',
  'nitrogen_demand',
  'temp_low_c',
  'temp_high_c',
  'ph_floor',
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
  'buffer_low',
  'buffer_low_read',
  'buffer_high',
  'buffer_high_read',
  'size_ml',
  'closure',
  'rated_volumes',
  'length_mm',
  'soak_min',
  'price_each',
] as const;
export type ShelfColumn = (typeof SHELF_COLUMNS)[number];
type Row = Partial<Record<ShelfColumn, string | number>>;

/** More than any scale tells, and few enough that a share reads as it was typed. */
const DIGITS = 12;
const pct = (share: number): number => Number((100 * share).toPrecision(DIGITS));

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
        traits: (detail.traits ?? []).join(', '),
      };
    }
    case 'yeast': {
      const tolerance = detail.own.toleranceAbv;
      const figures =
        tolerance === undefined ? {} : { tolerance_abv: tolerance.value, tolerance_low: tolerance.low, tolerance_high: tolerance.high };
      const { name, tempC, demand, phFloor } = detail.own;
      return {
        yeast_type: detail.typeId,
        yeast_called: name ?? '',
        ...figures,
        nitrogen_demand: demand ?? '',
        temp_low_c: tempC?.low ?? '',
        temp_high_c: tempC?.high ?? '',
        ph_floor: phFloor ?? '',
        g_per_packet: detail.gPerPacket ?? '',
      };
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
        buffer_low: detail.buffers?.low.buffer ?? '',
        buffer_low_read: detail.buffers?.low.read ?? '',
        buffer_high: detail.buffers?.high.buffer ?? '',
        buffer_high_read: detail.buffers?.high.read ?? '',
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
    { fields: [...SHELF_COLUMNS], data: rows.map((row) => SHELF_COLUMNS.map((column) => guarded(row[column] ?? ''))) },
    { newline: '\n' },
  );
}
