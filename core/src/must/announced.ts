import type { Composition } from '../ingredients/index.ts';
import { WATER_20_KG_PER_M3 } from '../liquid/index.ts';
import { FEED_AT_SG } from './stepFeeding.ts';
import type { MustPlan } from './plan.ts';

/** What a plan pours into the fermenting must. */
export interface LaterPour {
  name: string;
  massG: number;
  composition: Composition;
  /** Once the must has fallen to this; or so many days after the pitch. */
  atSg: number | null;
  days: number;
}

/** Fruit goes in once the first foam is over, some days after the pitch (our estimate). */
const FOAM_DAYS = 4;
const WATER: Composition = { sugar: 0, unfermentable: 0, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 };

/** What is announced for the time after the pitch: honey in steps, fruit, and water that was held back. */
export function laterPoursOf({ ingredients, heldBack }: Pick<MustPlan, 'ingredients' | 'heldBack'>): LaterPour[] {
  const during = ingredients
    .filter(({ stage, massG }) => stage === 'during' && massG > 0)
    .map(({ name, massG, composition, family }): LaterPour => ({
      name,
      massG,
      composition,
      atSg: family === 'honey' ? FEED_AT_SG : null,
      days: FOAM_DAYS,
    }));
  return heldBack === undefined
    ? during
    : [...during, { name: 'water', massG: heldBack.waterL * WATER_20_KG_PER_M3, composition: WATER, atSg: null, days: heldBack.days }];
}
