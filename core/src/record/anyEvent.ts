import fc from 'fast-check';
import { MEAN_HONEY } from '../ingredients/index.ts';
import type { EventContent } from './events.ts';
import { MARKS } from './kinds.ts';
import type { Ledger } from './ledger.ts';

/* For the tests: whatever may be written into a record. */

export const honey = (massG: number): EventContent => ({
  kind: 'honey',
  payload: { name: 'linden', massG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
});
export const water = (volumeL: number): EventContent => ({ kind: 'water', payload: { volumeL } });
export const yeast: EventContent = { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 5 } };
export const reading = (sg: number, tempC?: number): EventContent => ({ kind: 'reading', payload: { sg, tempC, calibrationC: 20 } });
export const berries = (massG: number): EventContent => ({
  kind: 'ingredient',
  payload: {
    name: 'gooseberries',
    family: 'fruit',
    makes: 'fruit',
    massG,
    composition: { sugar: 0.06, unfermentable: 0.02, insoluble: 0.043, ammoniumNMgPerKg: 10, aminoNMgPerKg: 70, acidGPerKg: 22 },
    sugarSpread: 0.33,
    bagDays: 7,
  },
});

export const anyEvent: fc.Arbitrary<EventContent> = fc.oneof(
  fc.double({ min: 0, max: 3000, noNaN: true }).map(honey),
  fc.double({ min: 0, max: 10, noNaN: true }).map(water),
  fc.constant(yeast),
  fc
    .record({ source: fc.constantFrom('organic' as const, 'dap' as const), massG: fc.double({ min: 0, max: 20, noNaN: true }) })
    .map((payload): EventContent => ({ kind: 'nutrient', payload })),
  fc.double({ min: 0, max: 5, noNaN: true }).map((massG): EventContent => ({ kind: 'sulfite', payload: { salt: 'potassium', massG } })),
  fc.double({ min: 0, max: 5, noNaN: true }).map((massG): EventContent => ({ kind: 'sorbate', payload: { massG } })),
  fc.double({ min: 0, max: 3, noNaN: true }).map((volumeL): EventContent => ({ kind: 'removal', payload: { volumeL, reason: 'foam' } })),
  fc.double({ min: 0.98, max: 1.15, noNaN: true }).map((sg) => reading(sg)),
  fc.double({ min: 0, max: 30, noNaN: true }).map((brix): EventContent => ({ kind: 'reading', payload: { brix } })),
  fc.double({ min: 0, max: 40, noNaN: true }).map((tempC): EventContent => ({ kind: 'reading', payload: { tempC } })),
  fc.double({ min: 2.6, max: 4.2, noNaN: true }).map((ph): EventContent => ({ kind: 'reading', payload: { ph } })),
  fc.constantFrom('warm' as const, 'rouse' as const).map((cure): EventContent => ({ kind: 'cure', payload: { cure, toC: 20 } })),
  fc
    .record({ volumeL: fc.double({ min: 0.5, max: 5, noNaN: true }), sg: fc.double({ min: 1.01, max: 1.1, noNaN: true }) })
    .map((payload): EventContent => ({ kind: 'restart', payload })),
  fc.double({ min: 0.1, max: 8, noNaN: true }).map((volumeL): EventContent => ({ kind: 'rack', payload: { volumeL } })),
  fc.nat({ max: 6 }).map((count): EventContent => ({ kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count }] } })),
  fc.double({ min: 0, max: 3000, noNaN: true }).map(berries),
  fc
    .record({ massG: fc.double({ min: 0, max: 800, noNaN: true }), share: fc.double({ min: 0.1, max: 1, noNaN: true }) })
    .map((payload): EventContent => ({ kind: 'strain', payload })),
  fc.double({ min: 0.1, max: 2, noNaN: true }).map((volumeL): EventContent => ({
    kind: 'transferOut',
    payload: { toBatchId: 'other', toName: 'other', volumeL },
  })),
  fc
    .constantFrom(...MARKS, undefined)
    .map((mark): EventContent => ({ kind: 'note', payload: mark === undefined ? { text: 'rain' } : { text: mark, mark } })),
  fc.constant<EventContent>({ kind: 'staysHere', payload: {} }),
  fc.nat({ max: 4 }).map((index): EventContent => ({ kind: 'restartStep', payload: { index } })),
  fc.boolean().map((holds): EventContent => ({ kind: 'finding', payload: { cause: 'cold', holds } })),
  fc
    .nat({ max: 20 })
    .map((day): EventContent => ({ kind: 'putOff', payload: { ask: 'degas', told: 'degas it', until: day * 86_400_000 } })),
  fc.double({ min: 0, max: 5, noNaN: true }).map((massG): EventContent => ({ kind: 'base', payload: { salt: 'carbonate', massG } })),
  fc.double({ min: 0, max: 20_000, noNaN: true }).map((massG): EventContent => ({
    kind: 'ingredient',
    payload: {
      name: 'juice of sugar alone',
      family: 'juice',
      makes: 'none',
      massG,
      composition: { sugar: 1, unfermentable: 0, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
      sugarSpread: 0,
    },
  })),
);

/** A parcel of a mead that ferments, as a split hands it over. */
export const anyParcel = (parcel: Ledger): fc.Arbitrary<EventContent> =>
  fc.constant({ kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'a', volumeL: 1, parcel } });

/** Events and everything in them, held fast: a fold that writes into one throws. */
export function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) Object.values(value).forEach(frozen);
  return Object.freeze(value);
}
