import { requireWithin } from '../quantities/index.ts';

/**
 * Density of air-free water at one atmosphere, kg/m³.
 * Kell, J. Chem. Eng. Data 20 (1975) 97–105, eq. 16; within 0.005 kg/m³ of later formulas from 0 to 45 °C.
 *
 * @param tempC 0 to 100 °C
 * @throws Refusal outside that
 */
export function waterDensityKgPerM3(tempC: number): number {
  const t = requireWithin('The temperature', tempC, 0, 100, '°C');
  const rising = 999.83952 + t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 + t * -280.54253e-12))));
  return rising / (1 + 16.87985e-3 * t);
}

/** Water at 20 °C, to which specific gravity 20/20 refers, kg/m³ (Kell 1975). */
export const WATER_20_KG_PER_M3 = waterDensityKgPerM3(20);
