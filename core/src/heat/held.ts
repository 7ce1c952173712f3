import { HOUR_MS, MINUTE_MS } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { lethalRate } from './lethal.ts';

/** A reading of the core, and of the bath where it was read, °C. */
export interface CoreReading {
  at: number;
  coreC: number;
  bathC?: number | undefined;
}

/** What counts toward a hold begins when the core reads so much: both schools say 60 °C (140 °F). */
export const HOLD_FROM_C = 60;
/** Above it the honey cooks (the schools’ 160 °F). */
export const HOLD_STOP_C = 71;
/** A kitchen thermometer, ± °C (our estimate). */
export const THERMOMETER_PLUS_MINUS_C = 0.5;
/** The two schools of how long, in minutes and units alike. */
export const HOLDS_MIN = [10, 20] as const;
/** Readings farther apart are of two heatings. */
const APART_MS = 6 * HOUR_MS;
/** Between two readings farther apart than this nobody knows what the core did: nothing is counted (our estimate). */
export const LOG_STALLS_MIN = 10;

export interface Held {
  /** Since the core first read 60 °C; by the thermometer’s doubt. */
  units: Ranged;
  /** Shown, and not counted. */
  unitsOnTheWay: number;
  /** With the core at 60 °C or more. */
  minutes: number;
  /** When it first read so much; null before. */
  since: number | null;
  last: CoreReading | null;
  peakC: number;
}

/** The readings of the last heating, in order. */
export function lastHeating(readings: readonly CoreReading[]): readonly CoreReading[] {
  const gap = readings.findLastIndex(({ at }, i) => i > 0 && at - (readings[i - 1] as CoreReading).at > APART_MS);
  return gap < 0 ? readings : readings.slice(gap);
}

/** Whether a moment lies in the heating that was logged last. */
export const isUnderHeat = (readings: readonly CoreReading[], at: number): boolean => {
  const last = readings.findLast((each) => each.at <= at);
  return last !== undefined && at - last.at <= APART_MS;
};

/** What a heating has come to, by trapezoids of the lethal rate over its log. @param readings in the order in which they were taken */
export function heldOf(readings: readonly CoreReading[]): Held {
  const log = lastHeating(readings);
  const since = log.find(({ coreC }) => coreC >= HOLD_FROM_C)?.at ?? null;
  const units = { value: 0, low: 0, high: 0 };
  let [unitsOnTheWay, minutes] = [0, 0];
  log.slice(1).forEach((reading, i) => {
    const before = log[i] as CoreReading;
    const lasted = (reading.at - before.at) / MINUTE_MS;
    if (lasted > LOG_STALLS_MIN) return;
    const worth = (off: number): number => (lasted * (lethalRate(before.coreC + off) + lethalRate(reading.coreC + off))) / 2;
    if (since === null || before.at < since) {
      unitsOnTheWay += worth(0);
      return;
    }
    units.value += worth(0);
    units.low += worth(-THERMOMETER_PLUS_MINUS_C);
    units.high += worth(THERMOMETER_PLUS_MINUS_C);
    if (before.coreC >= HOLD_FROM_C && reading.coreC >= HOLD_FROM_C) minutes += lasted;
  });
  return { units, unitsOnTheWay, minutes, since, last: log.at(-1) ?? null, peakC: Math.max(...log.map(({ coreC }) => coreC)) };
}

/** Whether a hold is met: both its minutes and its units are. */
export const isHeld = ({ minutes, units }: { minutes: number; units: number }, holdMin: number): boolean =>
  minutes + 1e-9 >= holdMin && units + 1e-9 >= holdMin;
