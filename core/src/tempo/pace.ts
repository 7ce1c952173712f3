import { tempsSincePitch } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { THIRD_BREAK } from '../yeast/index.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** How fast a must usually goes: a third of its sugar gone after four days at 20 °C, half as fast for every 10 °C less (our estimate). */
export const USUAL_BREAK_H = 96;
export const USUAL_TEMP_C = 20;
/** Less than this of the sugar says nothing about the pace: a hydrometer's error is half of it. */
const TELLING_SHARE = 0.03;

/** Yeast works this many times faster at the one temperature than at the other (our estimate: twofold for 10 °C). */
const speedup = (toC: number, fromC: number): number => 2 ** ((toC - fromC) / 10);

/** Hours to the third break that may be expected at this temperature. */
export const usualBreakH = (tempC: number): number => USUAL_BREAK_H / speedup(tempC, USUAL_TEMP_C);

/** Hours after the pitch at which this share of the sugar is gone, where a third is gone in `breakH`: sugar falls off exponentially. */
export function hourAtShare(share: number, breakH: number): number {
  return share >= 1 ? Number.POSITIVE_INFINITY : (breakH * Math.log(1 - share)) / Math.log(1 - THIRD_BREAK);
}

/** The share of the sugar that is gone after so many hours at this pace. */
export const shareAtHour = (hour: number, breakH: number): number => 1 - (1 - THIRD_BREAK) ** (Math.max(0, hour) / breakH);

/** How fast a must goes from here on. */
export interface Pace {
  /** The last reading that the ledger follows, or the pitch. */
  at: number;
  share: number;
  /** Hours that the first third of the sugar takes at this pace. */
  breakH: number;
  /** Seen in readings, or only what is usual. */
  isMeasured: boolean;
}

const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * How fast this must goes: by its readings and the temperature since, or as is usual at its temperature until one of them tells.
 * Null before the pitch.
 */
export function paceOf(ledger: Ledger): Pace | null {
  const { pitch, readings } = ledger.history;
  if (pitch === null) return null;
  const temps = tempsSincePitch(ledger);
  const since = readings.filter(({ at, verdict }) => verdict === 'follows' && at > pitch.at);
  const last = since.at(-1);
  const share = Math.max(0, last?.shareGone ?? 0);
  const warm = temps.at(-1);
  if (last === undefined || share < TELLING_SHARE)
    return { at: last?.at ?? pitch.at, share, breakH: usualBreakH(warm?.tempC ?? USUAL_TEMP_C), isMeasured: false };
  const soFarH = (last.at - pitch.at) / HOUR_MS / hourAtShare(share, 1);
  const until = temps.filter(({ at }) => at > pitch.at && at <= last.at);
  const faster = warm === undefined || until.length === 0 ? 1 : speedup(warm.tempC, meanOf(until.map(({ tempC }) => tempC)));
  return { at: last.at, share, breakH: soFarH / faster, isMeasured: true };
}

/** When this share of the sugar is expected to be gone at this pace, ms since 1970 UTC. */
export const expectedAt = ({ at, share: gone, breakH }: Pace, share: number): number =>
  at + Math.max(0, hourAtShare(share, breakH) - hourAtShare(gone, breakH)) * HOUR_MS;

/** The share of the sugar that is expected to be gone at this time, at this pace. */
export const expectedShare = ({ at, share, breakH }: Pace, then: number): number =>
  shareAtHour(hourAtShare(share, breakH) + (then - at) / HOUR_MS, breakH);
