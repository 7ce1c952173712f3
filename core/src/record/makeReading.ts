import type { CalibrationC, PhCalibration } from '../liquid/index.ts';
import { READING_LIMITS, Refusal, requireWithin } from '../quantities/index.ts';
import type { ReadingSeen, Seen } from './gravityRead.ts';

/** How the house's instruments are marked and when they were calibrated. */
export interface HouseInstruments {
  calibrationC: CalibrationC;
  phMeter: PhCalibration | null;
  /** What hydrometer and refractometer show too much in water. */
  zeroSg?: number | undefined;
  zeroBrix?: number | undefined;
}

const NAMES = {
  sg: ['The gravity', ''],
  brix: ['The refractometer', '°Bx'],
  tempC: ['The sample', '°C'],
  ph: ['The pH', ''],
  taGPerL: ['The acid', 'g/L'],
  freeSo2MgPerL: ['Free SO₂', 'mg/L'],
  leesMm: ['The height of the lees', 'mm'],
} as const satisfies Record<keyof typeof READING_LIMITS, readonly [string, string]>;

/**
 * The one maker of readings: form, dip line, table and float hand over what was seen. Only a hydrometer has a temperature that its
 * scale is marked for; it and a refractometer have what they show too much in water, a pH the meter it was read with.
 *
 * @throws Refusal where nothing was read, a value lies outside what can be, or two gravities are given
 */
export function makeReading(seen: Seen, { calibrationC, phMeter, zeroSg = 0, zeroBrix = 0 }: HouseInstruments): ReadingSeen {
  const { instrument = 'hydrometer', sg, brix, ph } = seen;
  if (sg !== undefined && brix !== undefined) throw new Refusal('One gravity at a time: a hydrometer’s or a refractometer’s.');
  if (brix !== undefined && seen.instrument !== undefined && instrument !== 'refractometer')
    throw new Refusal('Only a refractometer reads °Brix.');
  if (sg !== undefined && instrument === 'refractometer') throw new Refusal('A refractometer reads °Brix; write what it shows.', 'sg');
  const read: ReadingSeen = {};
  for (const key of Object.keys(NAMES) as (keyof typeof NAMES)[]) {
    const value = seen[key];
    if (value === undefined) continue;
    const [named, unit] = NAMES[key];
    read[key] = requireWithin(named, value, READING_LIMITS[key].low, READING_LIMITS[key].high, unit);
  }
  if (Object.keys(read).length === 0) throw new Refusal('A reading needs something that was read.');
  if (sg !== undefined && instrument !== 'hydrometer') read.instrument = instrument;
  if (sg !== undefined && instrument === 'hydrometer') read.calibrationC = calibrationC;
  if (sg !== undefined && instrument === 'hydrometer' && zeroSg !== 0) read.zeroSg = zeroSg;
  if (brix !== undefined && zeroBrix !== 0) read.zeroBrix = zeroBrix;
  if (ph !== undefined && phMeter !== null) read.phMeter = phMeter;
  return read;
}
