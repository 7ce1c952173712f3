import { WATER_20_KG_PER_M3, mix } from '../liquid/index.ts';
import type { Mixed } from '../liquid/index.ts';
import { liquidOf, noMasses, pour } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import { Refusal } from '../quantities/index.ts';
import { broughtUnder } from '../record/index.ts';
import type { Assumptions } from '../record/index.ts';
import type { PlannedIngredient } from './plan.ts';

/** What one planned ingredient brings under these assumptions. */
export const broughtByPlanned = (ingredient: PlannedIngredient, assumptions: Assumptions, sugarShift?: number): Masses =>
  broughtUnder(assumptions, ingredient.massG, ingredient, sugarShift);

/**
 * The must that these ingredients and this water make, by mass.
 * @param sugarShifts by ingredient: −1 to 1 over its sugar's own range; the assumptions' shared shift where not given
 * @throws Refusal for negative amounts
 */
export function composeMust(
  ingredients: readonly PlannedIngredient[],
  waterL: number,
  assumptions: Assumptions,
  sugarShifts?: readonly number[],
): Masses {
  if (!(waterL >= 0)) throw new Refusal('Water cannot be less than nothing.', 'waterL');
  const must: Masses = { ...noMasses(), waterG: waterL * assumptions.waterScale * WATER_20_KG_PER_M3 };
  ingredients.forEach((ingredient, i) => {
    if (!(ingredient.massG >= 0)) throw new Refusal(`${ingredient.name} cannot weigh less than nothing.`, 'massG');
    pour(must, broughtByPlanned(ingredient, assumptions, sugarShifts?.[i]));
  });
  return must;
}

/** The liquid of a must, or an empty one where there is none yet. */
export function mixMust(must: Readonly<Masses>): Mixed {
  const liquid = liquidOf(must);
  return liquid.waterG + liquid.extractG + liquid.ethanolG > 1e-9 ? mix(liquid) : { volumeL: 0, sg: 1, abv: 0, extractGPerL: 0 };
}
