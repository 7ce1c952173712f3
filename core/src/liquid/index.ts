/* Densities of water, sugar and alcohol, mixing, fermentation by mass balance, instruments and their errors. */
export { blend, honeyToReach, shareOfFirst, thinMead, undilutedSg, waterToReach } from './adjust.ts';
export type { Measured } from './adjust.ts';
export { litersAt20, meadKgPerM3 } from './density.ts';
export { HEAT_CAPACITY, massForTemperature, mixedTemperature } from './warmth.ts';
export { ETHANOL_20_KG_PER_M3, ethanolGPerL } from './ethanol.ts';
export {
  BALANCE_ABV_PLUS_MINUS,
  BALLING,
  YEAST_PER_EXTRACT,
  alcoholByBalance,
  alcoholByRule,
  co2PerExtract,
  ferment,
  fermentedFromSg,
} from './fermentation.ts';
export { CALIBRATIONS_C, HYDROMETER_PLUS_MINUS, correctedSg, hydrometerReading, readingPlusMinus } from './hydrometer.ts';
export type { CalibrationC } from './hydrometer.ts';
export { litersByWeight } from './weighed.ts';
export { GRAVITY_INSTRUMENTS, ZERO_AT_MOST, instrumentPlusMinus, provesAnEnd } from './instruments.ts';
export type { GravityInstrument } from './instruments.ts';
export { liquidFromMeasured, mix, pourTogether, residualExtractGPerL } from './mixture.ts';
export type { Liquid, Mixed } from './mixture.ts';
export { SOUND_SLOPE, correctedPh, electrodeSlope, phBuffersShape, phCalibrationShape, phPlusMinus } from './phMeter.ts';
export type { PhCalibration } from './phMeter.ts';
export { mixedFromRefractometer, refractometerBrix } from './refractometer.ts';
export { brixFromSg, extractGPerLFromSg, sgFromBrix } from './sucrose.ts';
export { WATER_20_KG_PER_M3 } from './water.ts';
