import { TOO_LATE_SHARE } from '../yeast/index.ts';
import { doseNowMg, isComing } from '../feed/index.ts';
import type { FeedingNow } from '../feed/index.ts';
import { sgAtShare, shareGone } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import type { Forecast, ForecastInput } from './ensemble.ts';
import type { Pulse } from './model.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** What a maker may ask: as the plan has it, warmer, a dose at once, or hands off. */
export type WhatIf = 'planned' | 'warmer' | 'fed now' | 'nothing';
/** How much warmer is asked about, °C, and with how much nitrogen, mg/L: one usual dose (our estimate). */
export const WARMER_C = 4;
const A_DOSE_MG_PER_L = 60;

const dose = (hour: number, nitrogenMgPerL: number): Pulse => ({ hour, scale: 1, sugarGPerL: 0, nitrogenMgPerL });

/** The doses that a plan still has in store, by the hour and the liter. */
export function dosesAhead(feeding: FeedingNow | null, pitchedAt: number, volumeL: number, organicCredit: number): Pulse[] {
  return (feeding?.doses ?? [])
    .filter(isComing)
    .map((coming) => dose(Math.round((coming.expectedAt - pitchedAt) / HOUR_MS), doseNowMg(coming, organicCredit) / volumeL));
}

/**
 * What a question changes in the course: the temperature, a dose at once, or that no dose ahead comes.
 * Past half of the sugar a dose changes nothing, since yeast takes none up.
 */
export function askWhatIf(input: ForecastInput, what: WhatIf, ahead: readonly Pulse[], shareGone: number): ForecastInput {
  const { course, nowH } = input;
  const planned = ahead.map((each) => ({ ...each, hour: Math.max(each.hour, nowH + 1) }));
  const atOnce = what === 'fed now' && shareGone < TOO_LATE_SHARE ? [dose(nowH + 1, A_DOSE_MG_PER_L)] : [];
  const more = what === 'nothing' ? [] : [...atOnce, ...planned];
  const last = course.temps.at(-1);
  const temps =
    what === 'warmer' && last !== undefined
      ? [
          ...course.temps.filter(({ hour }) => hour <= nowH),
          { hour: nowH, tempC: last.tempC },
          { hour: nowH + 1, tempC: last.tempC + WARMER_C },
        ]
      : course.temps;
  return { ...input, course: { ...course, temps, pulses: [...course.pulses, ...more] } };
}

export interface FanPoint {
  at: number;
  low: number;
  middle: number;
  high: number;
}

/** The week after now is always drawn, and a little beyond the end. */
const LEAST_DRAWN_H = 7 * 24;
const BEYOND_END = 1.15;

/** Gravity bends so little with the share that is gone that straight lines between so many points lie within 0.00005 of it. */
const TABLED = 48;
/** Many gravities of one ledger at once: each by itself mixes the liquid anew. */
function gravitiesByShare(ledger: Ledger): (share: number) => number {
  const from = Math.min(0, shareGone(ledger));
  const table = Array.from({ length: TABLED + 1 }, (_, i) => sgAtShare(ledger, from + ((1 - from) * i) / TABLED));
  return (share) => {
    const place = (TABLED * (Math.max(from, Math.min(1, share)) - from)) / (1 - from);
    const i = Math.min(TABLED - 1, Math.floor(place));
    const [low, high] = [table[i] ?? 1, table[i + 1] ?? 1];
    return low + (high - low) * (place - i);
  };
}

/** A forecast as gravities, from its now to a little beyond its end; empty before the pitch. */
export function gravityFan({ bands, endH }: Forecast, { course, nowH }: ForecastInput, ledger: Ledger): FanPoint[] {
  const { pitch } = ledger.history;
  if (pitch === null) return [];
  const basis = course.pulses.reduce((sum, { scale, sugarGPerL }) => sum * scale + sugarGPerL, course.sugarGPerL);
  const atShare = gravitiesByShare(ledger);
  const sgOf = (sugarGPerL: number): number => atShare(1 - sugarGPerL / basis);
  const untilH = Math.min(course.horizonH, Math.max(nowH + LEAST_DRAWN_H, (endH?.value ?? 0) * BEYOND_END));
  return bands
    .filter(({ hour }) => hour >= nowH && hour <= untilH)
    .map(({ hour, low, middle, high }) => ({ at: pitch.at + hour * HOUR_MS, low: sgOf(low), middle: sgOf(middle), high: sgOf(high) }));
}
