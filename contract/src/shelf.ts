import { checkComposition, compositionShape, familyShape, styleMarkShape, traitsShape } from '@hollow-bell/core/ingredients';
import { ZERO_AT_MOST, phBuffersShape } from '@hollow-bell/core/liquid';
import {
  choice,
  day as dayShape,
  flag,
  id,
  kinds,
  list,
  maybe,
  nameShape,
  number,
  numberAbove,
  orNull,
  own,
  record,
  textOrNone,
  whole,
} from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { CHEMICAL_IDS, CLOSURE_IDS, CONTAINER_IDS, ratedShape } from '@hollow-bell/core/record';
import { VESSEL_KINDS } from '@hollow-bell/core/vessel';
import { ownYeastShape, yeastIdShape } from '@hollow-bell/core/yeast';
import { refusalOf } from './refusalOf.ts';

const day = dayShape('A date is written as 2027-03-31.');
/** What the packet says that one of it weighs. */
const packet = maybe(numberAbove(0, 5000, [5, 100]));
const NO_KIND = 'The kind must be ingredient, yeast, nutrient, chemical, vessel, instrument, bottle or closure.';
const priceEach = maybe(number(0, 10_000, [0, 5], { whenLow: 'A price cannot be less than nothing.' }));

const detailShape = kinds(
  {
    ingredient: record(
      {
        family: familyShape,
        makes: styleMarkShape,
        composition: compositionShape,
        sugarSpread: number(0, 1),
        traits: maybe(traitsShape),
      },
      { broken: ({ family, composition }) => refusalOf(() => checkComposition('This lot', family, composition)) },
    ),
    yeast: record({ typeId: yeastIdShape, own: ownYeastShape, gPerPacket: packet }),
    nutrient: record(
      {
        ammoniumN: number(0, 0.47),
        aminoN: number(0, 0.2),
        gPerTeaspoon: number(0.5, 12),
        gPerPacket: packet,
        /** The most that the packet allows, g/L over the whole feeding. */
        capGPerL: maybe(numberAbove(0, 20, [1, 20])),
      },
      { holds: ({ ammoniumN, aminoN }) => ammoniumN + aminoN <= 0.47, says: 'No nutrient holds more nitrogen than urea, 47 %.' },
    ),
    chemical: record({
      use: textOrNone(120),
      /** What it is, where it is one of those that batches take by the gram. */
      is: maybe(choice(...CHEMICAL_IDS)),
      gPerTeaspoon: maybe(number(0.5, 12)),
      gPerTablet: maybe(numberAbove(0, 100, [0.4, 0.6])),
      gPerPacket: packet,
    }),
    vessel: record({
      shape: choice(...VESSEL_KINDS),
      capacityL: number(0.1, 1000),
      material: choice('glass', 'plastic', 'steel', 'stoneware'),
      neckMm: orNull(number(5, 1000)),
      /** What it weighs empty. */
      tareG: maybe(numberAbove(0, 200_000, [200, 5000])),
    }),
    instrument: record(
      {
        reads: choice('gravity', 'brix', 'temperature', 'pH', 'mass', 'volume'),
        calibrationC: orNull(number(0, 60)),
        resolution: number(0, 100),
        /** What it showed in water, at the temperature that it is marked for. */
        inWater: maybe(number(-ZERO_AT_MOST.brix, ZERO_AT_MOST.brix, [0.999, 1.001])),
        calibratedOn: orNull(day),
        /** What a pH meter showed in its two buffers then. */
        buffers: maybe(phBuffersShape),
      },
      {
        holds: ({ reads, inWater }) => inWater === undefined || reads !== 'gravity' || Math.abs(inWater - 1) <= ZERO_AT_MOST.sg,
        says: `A hydrometer shows ${1 - ZERO_AT_MOST.sg} to ${1 + ZERO_AT_MOST.sg} in water; one that is further off is to be thrown out.`,
      },
    ),
    bottle: record({
      /** To where one fills it. */
      sizeMl: number(20, 100_000, [250, 750]),
      is: choice(...CONTAINER_IDS),
      closure: choice(...CLOSURE_IDS),
      /** What its maker says that it bears, volumes of CO2. */
      ratedVolumes: maybe(ratedShape),
      priceEach,
    }),
    closure: record({
      is: choice(...CLOSURE_IDS),
      lengthMm: maybe(number(5, 100, [30, 50])),
      /** By its maker, before it goes in. */
      soakMin: maybe(number(0, 240, [10, 30])),
      priceEach,
    }),
  },
  NO_KIND,
);

/** A lot, packet, vessel or instrument. `stockG` is all that ever came in, in grams; of what is counted how many. */
export const shelfItemShape = record({
  id,
  name: nameShape,
  stockG: number(0, 1_000_000, [0, 10_000], {
    whenLow: 'A stock cannot be less than nothing.',
    whenHigh: 'A stock of more than a tonne is beyond this shelf.',
  }),
  pricePerKg: orNull(number(0, 100_000, [0, 100], { whenLow: 'A price cannot be less than nothing.' })),
  expiresOn: orNull(day),
  note: textOrNone(300),
  /** Used up or given away: off the shelf, but batches that took from it keep it. */
  putAway: flag,
  detail: detailShape,
});
export type ShelfItem = Fit<typeof shelfItemShape>;
export type ShelfKind = ShelfItem['detail']['kind'];
export const SHELF_KINDS: readonly ShelfKind[] = [
  'ingredient',
  'yeast',
  'nutrient',
  'chemical',
  'vessel',
  'instrument',
  'bottle',
  'closure',
];

/** An item with what batches have taken of it, in grams, as their records stand. */
export const shelvedShape = record({
  item: own<ShelfItem>('a thing on the shelf'),
  takenG: number(-1e15, 1e15),
  version: whole(0, 1_000_000),
});
export type Shelved = Fit<typeof shelvedShape>;
export const shelfShape = record({ items: list(shelvedShape, 0, 1_000_000) });

export const putItemShape = record({ afterVersion: whole(0, 1_000_000), item: shelfItemShape });
/** All rows of a file or none. */
export const importShelfShape = record({ items: list(shelfItemShape, 1, 1000) });
