import { MEAN_HONEY, honeyComposition, referenceIngredient } from '../ingredients/index.ts';
import type { Ingredient } from '../ingredients/index.ts';
import { Refusal } from '../quantities/index.ts';
import { USUAL_VESSELS } from '../vessel/index.ts';
import { USUAL_LOSSES } from './plan.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';

/** A line of a plan from an ingredient: free where it is honey, before the pitch, in this amount. */
export function planned(ingredient: Ingredient, massG: number, over: Partial<PlannedIngredient> = {}): PlannedIngredient {
  const { name, family, makes, composition, sugarSpread, traits } = ingredient;
  const lock = family === 'honey' ? 'free' : 'mass';
  const minded = traits === undefined ? {} : { traits };
  return { id: name, name, family, makes, composition, sugarSpread, ...minded, massG, stage: 'before', lock, ...over };
}

/** A line from the reference table. @throws Refusal for an unknown row */
export function plannedFrom(rowId: string, massG: number, over: Partial<PlannedIngredient> = {}): PlannedIngredient {
  const row = referenceIngredient(rowId);
  if (row === undefined) throw new Refusal(`There is no ingredient “${rowId}” in the table.`);
  return planned(row, massG, { id: rowId, ...over });
}

/** A honey by its water and its unfermentable part; the mean honey's where not given. */
export function plannedHoney(
  name: string,
  massG: number,
  moisture: number = MEAN_HONEY.moisture,
  unfermentable: number = MEAN_HONEY.unfermentable,
): PlannedIngredient {
  const composition = honeyComposition(moisture, unfermentable);
  return planned({ name, family: 'honey', makes: 'honey', composition, sugarSpread: 0 }, massG);
}

const USUAL_VESSEL = USUAL_VESSELS.find(({ name }) => name === '10 L bucket') ?? { kind: 'bucket', name: '10 L bucket', capacityL: 10.5 };

/** A plan to begin from, with anything in it replaced. */
export const planOf = (ingredients: PlannedIngredient[], waterL: number, over: Partial<MustPlan> = {}): MustPlan => ({
  ingredients,
  waterL,
  yeastId: 'allround',
  vessel: USUAL_VESSEL,
  roomTempC: 19,
  losses: USUAL_LOSSES,
  otherCost: 0,
  wanted: {},
  ...over,
});
