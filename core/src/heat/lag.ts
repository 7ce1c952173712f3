import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, requireWithin } from '../quantities/index.ts';
import { UNIT_AT_C, Z_K, lethalRate } from './lethal.ts';

/* How the core of a vessel follows its bath: a first-order lag, true of a well stirred liquid and good for a first guess of a still one. */

export interface Bath {
  /** The core as it goes in, °C. */
  startC: number;
  bathC: number;
  /** Minutes after which 63 % of the difference is gone; above 0. */
  lagMin: number;
}

function checkBath({ startC, bathC, lagMin }: Bath): void {
  requireWithin('The start', startC, -5, 110, '°C');
  requireWithin('The bath', bathC, -5, 100, '°C');
  if (!(lagMin > 0)) throw new Refusal('The lag must be longer than nothing.', 'lagMin');
}

/** The core after so many minutes in a bath that keeps its temperature, °C. */
export function coreAfterC(bath: Bath, minutes: number): number {
  checkBath(bath);
  requireWithin('The minutes', minutes, 0, 10_000);
  return bath.bathC + (bath.startC - bath.bathC) * Math.exp(-minutes / bath.lagMin);
}

/** Minutes until the core reads so much. @throws Refusal where this bath never brings it there */
export function minutesUntilCore(bath: Bath, wantedC: number): number {
  checkBath(bath);
  if (wantedC === bath.startC) return 0;
  const left = (bath.startC - bath.bathC) / (wantedC - bath.bathC);
  if (!(left > 1) || !Number.isFinite(left))
    throw new Refusal('That bath never brings the core there: it must be past what is wanted.', 'wantedC');
  return bath.lagMin * Math.log(left);
}

/** The lag that one reading of the core shows, minutes. @throws Refusal where it has not moved toward the bath, or is past it */
export function lagFromReading({ startC, bathC }: Omit<Bath, 'lagMin'>, minutes: number, coreC: number): number {
  const left = (startC - bathC) / (coreC - bathC);
  if (!(minutes > 0) || !(left > 1) || !Number.isFinite(left))
    throw new Refusal('The core must have moved toward the bath, and not past it.', 'coreC');
  return minutes / Math.log(left);
}

export interface Cylinder {
  volumeL: number;
  diameterCm: number;
  /** W/(m² K) through glass and the water on both sides. */
  heatTransfer: number;
  kgPerM3?: number;
  /** J/(kg K). */
  heatCapacity?: number;
  /** Whether its bottom is wetted too. */
  bottom?: boolean;
}

/** W/(m² K): glass in a still bath with still mead in it, in a stirred one, and in a room's air (orders of magnitude, our estimates). */
export const HEAT_TRANSFER = {
  still: { value: 150, low: 100, high: 250 },
  stirred: { value: 280, low: 200, high: 400 },
  air: { value: 8, low: 5, high: 12 },
} as const;

/** The lag of a cylinder of liquid in a bath up to its level, minutes: ρ V c ÷ (U A). */
export function cylinderLagMin({
  volumeL,
  diameterCm,
  heatTransfer,
  kgPerM3 = 1000,
  heatCapacity = 4000,
  bottom = true,
}: Cylinder): number {
  for (const [name, value] of Object.entries({ volumeL, diameterCm, heatTransfer, kgPerM3, heatCapacity }))
    if (!(value > 0)) throw new Refusal(`${name} must be above 0.`, name);
  const radiusM = diameterCm / 200;
  const floorM2 = Math.PI * radiusM ** 2;
  const volumeM3 = volumeL / 1000;
  const sideM2 = (2 * volumeM3) / radiusM;
  return (kgPerM3 * volumeM3 * heatCapacity) / (heatTransfer * (sideM2 + (bottom ? floorM2 : 0))) / 60;
}

/** Units that a first-order approach collects, by Simpson's rule over steps far below a minute. */
function unitsAlong(bath: Bath, minutes: number, zK: number, unitAtC: number): number {
  const steps = 2 * Math.ceil(Math.max(1, minutes) * 5);
  const h = minutes / steps;
  let sum = 0;
  for (let i = 0; i <= steps; i++) {
    const weight = i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2;
    sum += weight * lethalRate(bath.bathC + (bath.startC - bath.bathC) * Math.exp((-i * h) / bath.lagMin), zK, unitAtC);
  }
  return (sum * h) / 3;
}

export interface HeatCycle {
  peakC: number;
  heatUnits: number;
  coolUnits: number;
  endC: number;
}

/** Units of so many minutes in a bath and of cooling afterwards. @param cooling the air or bath it cools in, its lag, and for how long */
export function heatCycle(
  bath: Bath,
  minutes: number,
  cooling: { coolC: number; lagMin: number; minutes: number } = { coolC: 20, lagMin: bath.lagMin, minutes: 0 },
  zK = Z_K,
  unitAtC = UNIT_AT_C,
): HeatCycle {
  const peakC = coreAfterC(bath, minutes);
  const after: Bath = { startC: peakC, bathC: cooling.coolC, lagMin: cooling.lagMin };
  return {
    peakC,
    heatUnits: minutes === 0 ? 0 : unitsAlong(bath, minutes, zK, unitAtC),
    coolUnits: cooling.minutes === 0 ? 0 : unitsAlong(after, cooling.minutes, zK, unitAtC),
    endC: coreAfterC(after, cooling.minutes),
  };
}

const LONGEST_MIN = 24 * 60;

/** Minutes in the bath until the core has collected so many units, cooling not counted. @throws Refusal for no units, or more than a day */
export function bathMinutesFor(bath: Bath, targetUnits: number, zK = Z_K, unitAtC = UNIT_AT_C): number {
  checkBath(bath);
  if (!(targetUnits > 0)) throw new Refusal('Want more than no units.', 'targetUnits');
  const missing = (minutes: number): number => unitsAlong(bath, minutes, zK, unitAtC) - targetUnits;
  if (missing(LONGEST_MIN) < 0) throw new Refusal('That bath would take more than a day.', 'bathC');
  return settled(findRoot(missing, 0.01, LONGEST_MIN, 1e-6));
}
