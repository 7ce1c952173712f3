import { fixedPoint, settled } from '../numerics/index.ts';
import { READING_LIMITS, SG_RANGE, requireWithin } from '../quantities/index.ts';
import { expandingBeyondWater, requireAbv, warmKgPerM3 } from './density.ts';
import { WATER_20_KG_PER_M3, waterDensityKgPerM3 } from './water.ts';

/** Calibration temperatures found on hydrometers: 20 °C, and 60 °F on older and American ones. */
export const CALIBRATIONS_C = [20, 15.56] as const;
export type CalibrationC = (typeof CALIBRATIONS_C)[number];

/** Cubic expansion of soda-lime hydrometer glass, per K; NBS Circular 440 (1942) uses 23e-6 to 25e-6. */
const GLASS_PER_K = 25e-6;

/** What a home hydrometer is read to, bubbles and meniscus included: our estimate of its 10–90 % range, ± in SG. */
export const HYDROMETER_PLUS_MINUS = 0.002;

/**
 * What a hydrometer shows in a sample of this SG 20/20: its float displaces its own mass, so the scale reads
 * ρ_sample(t)·(1+β(t−cal))/ρ_water(cal).
 *
 * @param sg 0.97 to 1.2 @param tempC 0 to 60 °C @param abv of the sample, 0 to 22 % vol
 */
export function hydrometerReading(sg: number, tempC: number, calibrationC: number, abv = 0): number {
  const beyondWater = expandingBeyondWater(requireAbv(abv), tempC)(sg);
  return (warmKgPerM3(sg, tempC, beyondWater) * (1 + GLASS_PER_K * (tempC - calibrationC))) / waterDensityKgPerM3(calibrationC);
}

/**
 * SG 20/20 from a hydrometer read in a sample at `tempC`: the inverse of `hydrometerReading`. Sugar and alcohol expand more than
 * water does: at 1.100 that is 0.4 points at 25 °C and 1.3 at 40 °C.
 *
 * @param reading 0.97 to 1.2 as read
 * @param tempC 0 to 60 °C
 * @param abv true strength of the sample, 0 to 22 % vol; 0 in a must
 */
export function correctedSg(reading: number, tempC: number, calibrationC: number, abv = 0): number {
  requireWithin('The reading', reading, SG_RANGE.low, SG_RANGE.high);
  requireWithin('The sample temperature', tempC, READING_LIMITS.tempC.low, READING_LIMITS.tempC.high, '°C');
  requireAbv(abv);
  if (tempC === calibrationC && calibrationC === 20) return reading;
  const sampleKgPerM3 = (reading * waterDensityKgPerM3(calibrationC)) / (1 + GLASS_PER_K * (tempC - calibrationC));
  const asWater = (sampleKgPerM3 - waterDensityKgPerM3(tempC)) / WATER_20_KG_PER_M3 + 1;
  const beyondWater = expandingBeyondWater(abv, tempC);
  return settled(fixedPoint((sg) => asWater - beyondWater(sg), asWater, 1e-7, 30));
}

/** ± in SG of a corrected reading: the reading's own error and, in warm samples, what the correction does not know (invert sugar, the mixing rule, glass). */
export function readingPlusMinus(tempC: number): number {
  return Math.hypot(HYDROMETER_PLUS_MINUS, Math.max(0, tempC - 20) * 2e-5);
}
