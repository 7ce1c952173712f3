import { requireWithin } from '../quantities/index.ts';
import { ETHANOL_20_KG_PER_M3, ethanolDeficitShift, ethanolWaterDensityFromGPerL } from './ethanol.ts';
import { SG_RANGE } from '../quantities/index.ts';
import { massFractionFromSg, sucroseExcessShift } from './sucrose.ts';
import { WATER_20_KG_PER_M3, waterDensityKgPerM3 } from './water.ts';

/** What a mead may hold, % vol: nothing stronger is fermented. */
const MOST_ABV = 22;
export const requireAbv = (abv: number): number => requireWithin('The alcohol', abv, 0, MOST_ABV, '% vol');

/** SG of the sugar alone, by Tabarié's relation; within what a solution can be. */
const sugarSg = (sg: number, abv: number): number =>
  Math.min(1.38, Math.max(SG_RANGE.low, sg + 1 - ethanolWaterDensityFromGPerL((abv / 100) * ETHANOL_20_KG_PER_M3) / WATER_20_KG_PER_M3));

/** By what a sample's density at `tempC` differs from water's more than it does at 20 °C, as SG: its sugar's part and its alcohol's. */
export function expandingBeyondWater(abv: number, tempC: number): (sg: number) => number {
  if (tempC === 20) return () => 0;
  const ofAlcohol = ethanolDeficitShift(abv, tempC);
  return (sg) => (sucroseExcessShift(massFractionFromSg(sugarSg(sg, abv)), tempC) + ofAlcohol) / WATER_20_KG_PER_M3;
}

/** Density at `tempC` of a liquid of this SG 20/20, kg/m³, given how it expands. */
export const warmKgPerM3 = (sg: number, tempC: number, beyondWater: number): number =>
  (sg - 1 + beyondWater) * WATER_20_KG_PER_M3 + waterDensityKgPerM3(tempC);

/**
 * Density of a must or mead, kg/m³, by Tabarié's additivity taken at its temperature (Kell, ICUMSA, OIML R 22); ±0.3 kg/m³ away from 20 °C.
 * @param sg 20/20, 0.97 to 1.2 @param abv 0 to 22 % vol @param tempC 0 to 60 °C
 */
export function meadKgPerM3(sg: number, abv: number, tempC: number): number {
  requireWithin('The gravity', sg, SG_RANGE.low, SG_RANGE.high);
  requireWithin('The temperature', tempC, 0, 60, '°C');
  return warmKgPerM3(sg, tempC, expandingBeyondWater(requireAbv(abv), tempC)(sg));
}

/** Liters at 20 °C of a must or mead that was measured warm or cold; the vessel's own growth is left out. Ranges as `meadKgPerM3`. */
export const litersAt20 = (volumeL: number, tempC: number, sg: number, abv = 0): number =>
  (volumeL * meadKgPerM3(sg, abv, tempC)) / meadKgPerM3(sg, abv, 20);
