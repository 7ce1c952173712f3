import { broughtBy, honeyBrings, waterShare } from '../ingredients/index.ts';
import type { Ingredient } from '../ingredients/index.ts';
import type { Masses } from '../masses/index.ts';
import type { Assumptions } from './assumptions.ts';

/**
 * What a mass of an ingredient brings under these assumptions: honey's water and higher sugars vary on their own, the sugar of
 * everything else within its own range.
 * @param sugarShift −1 to 1 over that range; the assumptions' shared shift where not given
 */
export function broughtUnder(
  assumptions: Assumptions,
  massG: number,
  { family, composition, sugarSpread }: Pick<Ingredient, 'family' | 'composition' | 'sugarSpread'>,
  sugarShift = assumptions.sugarShift,
): Masses {
  if (family !== 'honey') return broughtBy(massG, composition, 1 + sugarSpread * sugarShift);
  const moisture = waterShare(composition) + assumptions.moistureShift;
  return honeyBrings(massG, moisture, composition.unfermentable * assumptions.unfermentableScale);
}
