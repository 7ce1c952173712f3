import { Refusal, massG, say } from '../quantities/index.ts';
import { WATER_20_KG_PER_M3 } from './water.ts';

/**
 * Liters in a vessel by its weight: what it weighs full less what it weighs empty, over the density of what is in it.
 *
 * @param fullG above 0 @param emptyG 0 or more @param sg of what is in it, 0.97 to 1.2
 * @throws Refusal where it weighs no more than empty
 */
export function litersByWeight(fullG: number, emptyG: number, sg: number): number {
  if (!(fullG > emptyG))
    throw new Refusal(say`Empty it weighs ${massG(emptyG)}; with anything in it, it must weigh more than that.`, 'fullG');
  return (fullG - emptyG) / (sg * WATER_20_KG_PER_M3);
}
