import type { ShelfItem } from '@hollow-bell/contract';
import { MEAN_HONEY, honeyComposition, referenceIngredient } from '@hollow-bell/core/ingredients';
import { NUTRIENTS } from '@hollow-bell/core/record';
import { DAY_MS } from '@hollow-bell/core/quantities';

const id = (n: number): string => `5e1f0000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** Lots that demo batches take from; their ids stay, so that the batches' records can name them. */
export const LOTS = {
  'linden avenue': { id: id(1), pricePerKg: 11 },
  'heather moor': { id: id(2), pricePerKg: 19 },
  'borage field': { id: id(3), pricePerKg: 12.5 },
  gooseberries: { id: id(4), pricePerKg: 3.2 },
  'sour cherries': { id: id(5), pricePerKg: 4.5 },
} as const;
export type LotName = keyof typeof LOTS;

/** Bottles that stand in the crates, and what closes them. */
export const BOTTLES = {
  'sparkling 750': {
    id: id(30),
    stock: 6,
    detail: { kind: 'bottle', sizeMl: 750, is: 'sparkling', closure: 'wired cork', priceEach: 0.9 },
  },
  'swing 500': {
    id: id(31),
    stock: 20,
    detail: { kind: 'bottle', sizeMl: 500, is: 'swing-top', closure: 'swing-top', ratedVolumes: 4, priceEach: 1.6 },
  },
  'crown 330': { id: id(32), stock: 24, detail: { kind: 'bottle', sizeMl: 330, is: 'used beer', closure: 'crown cap', priceEach: 0.1 } },
  'wine 750': { id: id(33), stock: 26, detail: { kind: 'bottle', sizeMl: 750, is: 'wine', closure: 'cork', priceEach: 0.5 } },
  'wine 375': { id: id(34), stock: 6, detail: { kind: 'bottle', sizeMl: 375, is: 'wine', closure: 'cork', priceEach: 0.6 } },
  'screw 330': { id: id(35), stock: 2, detail: { kind: 'bottle', sizeMl: 330, is: 'wine', closure: 'screw cap', priceEach: 0.3 } },
} as const satisfies Record<string, { id: string; stock: number; detail: Extract<ShelfItem['detail'], { kind: 'bottle' }> }>;
export type BottleName = keyof typeof BOTTLES;
export const CLOSURES = {
  corks: { id: id(36), stock: 60, detail: { kind: 'closure', is: 'cork', lengthMm: 38, soakMin: 30, priceEach: 0.22 } },
  crowns: { id: id(37), stock: 80, detail: { kind: 'closure', is: 'crown cap', priceEach: 0.04 } },
} as const satisfies Record<string, { id: string; stock: number; detail: Extract<ShelfItem['detail'], { kind: 'closure' }> }>;
const BOTTLE_NAMES: Record<BottleName | keyof typeof CLOSURES, string> = {
  'sparkling 750': 'sparkling-wine bottles',
  'swing 500': 'swing-tops, brown',
  'crown 330': 'beer bottles, washed',
  'wine 750': 'wine bottles, green',
  'wine 375': 'half wine bottles',
  'screw 330': 'small screw caps',
  corks: 'corks, natural',
  crowns: 'crown caps',
};

/** The shelf of the lamp room; expiry dates are relative to the day it is loaded. */
export function demoShelf(now: number): ShelfItem[] {
  const inDays = (days: number): string => new Date(now + days * DAY_MS).toISOString().slice(0, 10);
  const item = (n: number, name: string, stockG: number, detail: ShelfItem['detail'], over: Partial<ShelfItem> = {}): ShelfItem => ({
    id: id(n),
    name,
    stockG,
    pricePerKg: null,
    expiresOn: null,
    note: '',
    putAway: false,
    detail,
    ...over,
  });
  const honey = (
    name: Exclude<LotName, 'gooseberries' | 'sour cherries'>,
    n: number,
    stockG: number,
    moisture: number,
    note: string,
  ): ShelfItem =>
    item(
      n,
      name,
      stockG,
      {
        kind: 'ingredient',
        family: 'honey',
        makes: 'honey',
        composition: honeyComposition(moisture, MEAN_HONEY.unfermentable),
        sugarSpread: 0,
      },
      { pricePerKg: LOTS[name].pricePerKg, note },
    );
  const fruit = (n: number, rowId: string, stockG: number, pricePerKg: number, note: string): ShelfItem => {
    const row = referenceIngredient(rowId);
    if (row === undefined) throw new Error(`no ingredient “${rowId}”`);
    const { family, makes, composition, sugarSpread } = row;
    return item(n, row.name, stockG, { kind: 'ingredient', family, makes, composition, sugarSpread }, { pricePerKg, note });
  };
  const nutrient = (n: number, kind: 'organic' | 'dap' | 'complex', stockG: number, pricePerKg: number): ShelfItem => {
    const { name, ammoniumN, aminoN, gPerTeaspoon } = NUTRIENTS[kind];
    return item(n, name, stockG, { kind: 'nutrient', ammoniumN, aminoN, gPerTeaspoon }, { pricePerKg });
  };
  return [
    honey('linden avenue', 1, 22_000, 0.171, 'two buckets from July, set'),
    honey('heather moor', 2, 11_000, 0.19, 'jelly; warm it'),
    honey('borage field', 3, 8_000, MEAN_HONEY.moisture, 'clear'),
    fruit(4, 'gooseberry', 4_200, 3.2, 'frozen in bags'),
    fruit(5, 'cherry-sour', 4_800, 4.5, 'frozen, with pits'),
    fruit(6, 'blackcurrant', 1_800, 6, 'frozen'),
    fruit(7, 'rhubarb', 2_500, 1.5, 'cut, frozen'),
    fruit(8, 'quince', 3_500, 2, 'from the tree by the gate'),
    fruit(9, 'juice-apple', 6_000, 1.8, 'label read: nothing added'),
    item(
      10,
      'even-tempered wine yeast',
      22,
      { kind: 'yeast', typeId: 'allround', own: {}, gPerPacket: 5 },
      { pricePerKg: 280, expiresOn: inDays(310) },
    ),
    item(
      11,
      'strong wine yeast',
      25,
      { kind: 'yeast', typeId: 'strong', own: { toleranceAbv: { value: 17, low: 16, high: 18 } } },
      { pricePerKg: 300, expiresOn: inDays(24), note: 'opened, in the cold' },
    ),
    nutrient(12, 'organic', 100, 62),
    nutrient(13, 'dap', 80, 19),
    nutrient(22, 'complex', 30, 34),
    item(23, 'potassium bicarbonate', 60, { kind: 'chemical', use: 'raises the pH', is: 'potassium bicarbonate' }),
    item(
      14,
      'potassium metabisulfite',
      50,
      { kind: 'chemical', use: 'sulfite', is: 'potassium metabisulfite' },
      { expiresOn: inDays(190) },
    ),
    item(15, 'potassium sorbate', 25, { kind: 'chemical', use: 'sorbate', is: 'potassium sorbate' }, { expiresOn: inDays(400) }),
    item(16, '10 L bucket', 2, { kind: 'vessel', shape: 'bucket', capacityL: 10.5, material: 'plastic', neckMm: 250 }),
    item(17, '5 L jug', 4, { kind: 'vessel', shape: 'jug', capacityL: 5.3, material: 'glass', neckMm: 30 }),
    item(18, '23 L carboy', 1, { kind: 'vessel', shape: 'carboy', capacityL: 23.8, material: 'glass', neckMm: 33 }),
    item(19, 'hydrometer', 1, { kind: 'instrument', reads: 'gravity', calibrationC: 20, resolution: 0.001, calibratedOn: inDays(-40) }),
    item(20, 'pH meter', 1, { kind: 'instrument', reads: 'pH', calibrationC: 25, resolution: 0.01, calibratedOn: inDays(-75) }),
    ...Object.entries({ ...BOTTLES, ...CLOSURES }).map(([key, { id: itemId, stock, detail }]) => ({
      ...item(0, BOTTLE_NAMES[key as BottleName], stock, detail),
      id: itemId,
    })),
    item(21, 'kitchen scale', 1, { kind: 'instrument', reads: 'mass', calibrationC: null, resolution: 1, calibratedOn: null }),
  ];
}
