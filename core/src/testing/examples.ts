import { MEAN_HONEY } from '../ingredients/index.ts';
import type { EventContent } from '../record/index.ts';

/* Plain entries for the tests. */

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
