import { requireWithin } from '../quantities/index.ts';

/** 1 L of CO2 at 0 °C and 1 atm weighs 1.977 g. */
const CO2_G_PER_VOLUME = 1.977;

/** g of CO2 from 1 g of hexose: 2 × 44.01 / 180.16. */
const CO2_PER_HEXOSE = 0.4886;

/**
 * Volumes of CO2 left in solution at one atmosphere by the highest temperature since fermentation:
 * 3.0378 − 0.050062 F + 0.00026555 F², the brewers' parabola through solubility data; within 0.02 volumes from 0 to 30 °C.
 */
export function residualCo2Volumes(warmestC: number): number {
  const f = (requireWithin('The warmest temperature', warmestC, 0, 30, '°C') * 9) / 5 + 32;
  return 3.0378 - 0.050062 * f + 0.00026555 * f * f;
}

/** Volumes of CO2 from sugar that ferments in a closed bottle, all of it kept. */
export const co2FromSugarVolumes = (sugarGPerL: number): number => (sugarGPerL * CO2_PER_HEXOSE) / CO2_G_PER_VOLUME;

/** Bunsen coefficient of CO2 in water, volumes per atmosphere (Weiss, Marine Chemistry 2 (1974) 203–215, fresh water). */
function bunsen(tempC: number): number {
  const t = (tempC + 273.15) / 100;
  return 22.414 * Math.exp(-58.0931 + 90.5069 / t + 22.294 * Math.log(t));
}

/**
 * Gauge pressure, bar, of a headspace over liquid that holds these volumes of CO2 (Henry's law in water).
 * A lower estimate: mead dissolves less, so its pressure is up to a quarter higher; air shut in adds up to 1 bar.
 * @param tempC 0 to 30 °C
 */
export function gaugePressureBar(volumes: number, tempC: number): number {
  requireWithin('The temperature', tempC, 0, 30, '°C');
  return Math.max(0, (volumes / bunsen(tempC) - 1) * 1.01325);
}
