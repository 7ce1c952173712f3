import { requireWithin } from '../quantities/index.ts';
import { waterDensityKgPerM3 } from './water.ts';

/** Calibration temperatures found on hydrometers: 20 °C, and 60 °F on older and American ones. */
export const CALIBRATIONS_C = [20, 15.56] as const;
export type CalibrationC = (typeof CALIBRATIONS_C)[number];

/** Cubic expansion of soda-lime hydrometer glass, per K; NBS Circular 440 (1942) uses 23e-6 to 25e-6. */
const GLASS_PER_K = 25e-6;

/** What a home hydrometer is read to, bubbles and meniscus included: our estimate of its 10–90 % range, ± in SG. */
export const HYDROMETER_PLUS_MINUS = 0.002;

/**
 * SG 20/20 from a hydrometer read in a sample at `tempC`. The float displaces its mass of sample, so the scale shows
 * ρ_sample(t)·(1+β(t−cal))/ρ_water(cal); the sample is taken to expand like water. A 60/60 °F scale is carried to 20/20
 * by the same ratio, which differs by less than 0.0002 for musts.
 * Sugar and alcohol expand more than water: the error grows to 0.001 at 40 °C.
 *
 * @param reading 0.97 to 1.2 as read
 * @param tempC 0 to 60 °C
 */
export function correctedSg(reading: number, tempC: number, calibrationC: number): number {
  requireWithin('The reading', reading, 0.97, 1.2);
  requireWithin('The sample temperature', tempC, 0, 60, '°C');
  return (reading * waterDensityKgPerM3(calibrationC)) / waterDensityKgPerM3(tempC) / (1 + GLASS_PER_K * (tempC - calibrationC));
}

/** ± in SG of a corrected reading: the reading's own error and, in warm samples, what the correction does not know. */
export function readingPlusMinus(tempC: number): number {
  return Math.hypot(HYDROMETER_PLUS_MINUS, Math.max(0, tempC - 20) * 5e-5);
}
