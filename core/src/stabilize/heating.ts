import {
  HEAT_TRANSFER,
  HOLD_FROM_C,
  HOLD_STOP_C,
  THERMOMETER_PLUS_MINUS_C,
  bathMinutesFor,
  cylinderLagMin,
  heldOf,
  lagFromReading,
  lastHeating,
  lethalRate,
  minutesUntilCore,
} from '../heat/index.ts';
import type { CoreReading, Held } from '../heat/index.ts';
import { meadKgPerM3 } from '../liquid/index.ts';
import { MINUTE_MS, say, when } from '../quantities/index.ts';
import type { Ranged, Sentence } from '../quantities/index.ts';
import type { Ledger } from '../record/index.ts';
import { sectionOf } from '../vessel/index.ts';
import type { Vessel } from '../vessel/index.ts';

/** Why nothing of this batch is heated; null where it may be. Closed glass that holds gas bursts in the bath. */
export function whyNotHeat(ledger: Ledger): Sentence | null {
  const { bottled } = ledger.history;
  if (bottled === null) return null;
  return say`It was bottled ${when(bottled.at)}. Closed bottles that hold pressure burst in a hot bath; no heat is planned for them. If they are gassier than they should be: cover them with a thick cloth, cool them, and let the gas out one by one, away from people, eyes and hands guarded. Heat comes before the bottles, in bulk, or in still bottles standing open.`;
}

/** How the core of a vessel lags its bath, minutes. @param volumeL of mead in it */
function lagOf(vessel: Vessel, volumeL: number, isStirred: boolean): Ranged {
  const diameterCm = 2 * Math.max(...sectionOf(vessel).radiusCm);
  const { value, low, high } = isStirred ? HEAT_TRANSFER.stirred : HEAT_TRANSFER.still;
  const at = (heatTransfer: number): number => cylinderLagMin({ volumeL, diameterCm, heatTransfer });
  return { value: at(value), low: at(high), high: at(low) };
}

/** The lag that the log shows, by each stretch in which bath and core were both read; null where none tells. */
export function lagSeen(readings: readonly CoreReading[]): number | null {
  const log = lastHeating(readings);
  const lags = log.slice(1).flatMap((reading, i) => {
    const before = log[i] as CoreReading;
    if (before.bathC === undefined || reading.bathC === undefined) return [];
    const bathC = (before.bathC + reading.bathC) / 2;
    const minutes = (reading.at - before.at) / MINUTE_MS;
    /** Too near to the bath the thermometer’s own error decides. */
    if (bathC - before.coreC < TELLING_C || reading.coreC - before.coreC < THERMOMETER_PLUS_MINUS_C || reading.coreC >= bathC) return [];
    return [lagFromReading({ startC: before.coreC, bathC }, minutes, reading.coreC)];
  });
  const sorted = lags.sort((a, b) => a - b);
  return sorted.length < TELLING_STRETCHES ? null : (sorted[sorted.length >> 1] ?? null);
}
const TELLING_C = 5;
const TELLING_STRETCHES = 3;

export interface HeatPlan {
  lagMin: Ranged;
  isLagSeen: boolean;
  /** Until the core reads 60 °C, and until the hold is met, from the start in a bath of that temperature. */
  untilHoldMin: Ranged;
  doneMin: Ranged;
  /** The mead grows by so much on the way to 60 °C, ml. */
  swellsMl: number;
}

/** The heating of one vessel as it would go. @param bathC above 60 and at most 71; null comes back where the bath never does it */
export function planHeating(
  mead: { volumeL: number; sg: number; abv: number; startC: number },
  {
    vessel,
    bathC,
    holdMin,
    isStirred,
    lagSeenMin,
  }: { vessel: Vessel; bathC: number; holdMin: number; isStirred: boolean; lagSeenMin: number | null },
): HeatPlan | null {
  if (bathC <= HOLD_FROM_C || bathC > MOST_BATH_C || mead.startC >= HOLD_FROM_C) return null;
  const lagMin =
    lagSeenMin === null ? lagOf(vessel, mead.volumeL, isStirred) : { value: lagSeenMin, low: 0.85 * lagSeenMin, high: 1.2 * lagSeenMin };
  const of = (lag: number) => ({ startC: mead.startC, bathC, lagMin: lag });
  const until = (lag: number): number => minutesUntilCore(of(lag), HOLD_FROM_C);
  const done = (lag: number): number => Math.max(until(lag) + holdMin, bathMinutesFor(of(lag), holdMin + unitsOnTheWay(of(lag))));
  const ranged = (f: (lag: number) => number): Ranged => ({ value: f(lagMin.value), low: f(lagMin.low), high: f(lagMin.high) });
  const abv = Math.min(22, mead.abv);
  return {
    lagMin,
    isLagSeen: lagSeenMin !== null,
    untilHoldMin: ranged(until),
    doneMin: ranged(done),
    swellsMl: 1000 * mead.volumeL * (meadKgPerM3(mead.sg, abv, 20) / meadKgPerM3(mead.sg, abv, HOLD_FROM_C) - 1),
  };
}
/** So far a core runs behind its bath, °C (trade practice). */
export const CORE_BEHIND_C = { value: 4, low: 3, high: 5 } as const;
/** The core may reach where the honey would cook, and no more. */
export const MOST_BATH_C = HOLD_STOP_C + CORE_BEHIND_C.value;

/** What the core collects before it reads 60 °C, by steps of a tenth of a minute. */
function unitsOnTheWay(bath: { startC: number; bathC: number; lagMin: number }): number {
  const minutes = minutesUntilCore(bath, HOLD_FROM_C);
  const steps = Math.max(1, Math.ceil(minutes * 10));
  let sum = 0;
  for (let i = 0; i < steps; i++)
    sum += lethalRate(bath.bathC + (bath.startC - bath.bathC) * Math.exp((-(i + 0.5) * minutes) / steps / bath.lagMin)) * (minutes / steps);
  return sum;
}

export interface HeatingNow {
  held: Held;
  /** Minutes left at the core’s present temperature, by the thermometer’s doubt; 0 where it is met. */
  leftMin: Ranged;
  /** When it is sure, ms since 1970 UTC; null where the core is below 60 °C. */
  sureAt: number | null;
  isMet: boolean;
  /** Met even if the thermometer reads too high. */
  isSure: boolean;
}

/** A heating as it stands against a hold of so many minutes; null where none is on record. */
export function heatingNow(ledger: Ledger, holdMin: number): HeatingNow | null {
  const held = heldOf(ledger.history.cores);
  if (held.last === null) return null;
  const { coreC, at } = held.last;
  const minutesLeft = Math.max(0, holdMin - held.minutes);
  const left = (have: number, off: number): number => Math.max(minutesLeft, Math.max(0, holdMin - have) / lethalRate(coreC + off));
  const leftMin = {
    value: left(held.units.value, 0),
    low: left(held.units.high, THERMOMETER_PLUS_MINUS_C),
    high: left(held.units.low, -THERMOMETER_PLUS_MINUS_C),
  };
  return {
    held,
    leftMin,
    sureAt: coreC >= HOLD_FROM_C ? at + leftMin.high * MINUTE_MS : null,
    isMet: leftMin.value <= 1e-9,
    isSure: leftMin.high <= 1e-9,
  };
}
