import { broughtBy, honeySolids, waterShare } from '../ingredients/index.ts';
import type { Brought } from '../ingredients/index.ts';
import type { Assumptions } from '../record/index.ts';
import { WATER_20_KG_PER_M3, mix } from '../liquid/index.ts';
import type { Mixed } from '../liquid/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Fermentable } from '../yeast/index.ts';
import type { PlannedIngredient } from './plan.ts';

/** A must by mass; the pulp stands beside the liquid. */
export interface Must extends Fermentable {
  insolubleG: number;
}

/** What one planned ingredient brings under these assumptions; honey's water and higher sugars vary on their own. */
export function broughtByPlanned(ingredient: PlannedIngredient, assumptions: Assumptions, sugarShift: number): Brought {
  const { massG, composition, sugarSpread } = ingredient;
  if (ingredient.family === 'honey') {
    const moisture = waterShare(composition) + assumptions.moistureShift;
    return { ...honeySolids(massG, moisture, composition.unfermentable * assumptions.unfermentableScale), insolubleG: 0 };
  }
  return broughtBy(massG, composition, 1 + sugarSpread * sugarShift);
}

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
): Must {
  if (!(waterL >= 0)) throw new Refusal('Water cannot be less than nothing.', 'waterL');
  const must: Must = {
    waterG: waterL * assumptions.waterScale * WATER_20_KG_PER_M3,
    sugarG: 0,
    unfermentableG: 0,
    ethanolG: 0,
    insolubleG: 0,
  };
  ingredients.forEach((ingredient, i) => {
    if (!(ingredient.massG >= 0)) throw new Refusal(`${ingredient.name} cannot weigh less than nothing.`, 'massG');
    addTo(must, broughtByPlanned(ingredient, assumptions, sugarShifts?.[i] ?? assumptions.sugarShift));
  });
  return must;
}

export function addTo(must: Must, brought: Brought): void {
  must.waterG += brought.waterG;
  must.sugarG += brought.sugarG;
  must.unfermentableG += brought.unfermentableG;
  must.insolubleG += brought.insolubleG;
}

/** The liquid of a must, or an empty one where there is none yet. */
export function mixMust({ waterG, sugarG, unfermentableG, ethanolG }: Fermentable): Mixed {
  const extractG = sugarG + unfermentableG;
  return waterG + extractG + ethanolG > 1e-9 ? mix({ waterG, extractG, ethanolG }) : { volumeL: 0, sg: 1, abv: 0, extractGPerL: 0 };
}
