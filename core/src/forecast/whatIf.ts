import { TOO_LATE_SHARE } from '../yeast/index.ts';
import { sgAtShare, shareGone } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { sugarBasisAt } from '../course/index.ts';
import type { AnnouncedPour, Forecast, ForecastInput, Pulse } from '../course/index.ts';
import { broughtBy } from '../ingredients/index.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** What a maker may ask: as the plan has it, warmer, a dose at once, or hands off. */
export type WhatIf = 'planned' | 'warmer' | 'fed now' | 'nothing';
/** How much warmer is asked about, °C, and with how much nitrogen, mg/L: one usual dose (our estimate). */
export const WARMER_C = 4;
const A_DOSE_MG_PER_L = 60;

const dose = (hour: number, nitrogenMgPerL: number): Pulse => ({ hour, scale: 1, sugarGPerL: 0, nitrogenMgPerL });

/**
 * What a question changes of what is planned: the temperature, a dose at once, or that nothing ahead comes.
 * Past half of the sugar a dose changes nothing, since yeast takes none up.
 */
export function askWhatIf(planned: ForecastInput, what: WhatIf, shareGone: number): ForecastInput {
  const { setting, nowH } = planned;
  const atOnce = what === 'fed now' && shareGone < TOO_LATE_SHARE ? [dose(nowH + 1, A_DOSE_MG_PER_L)] : [];
  const kept = what === 'nothing' ? setting.pulses.filter(({ hour }) => hour <= nowH) : setting.pulses;
  const pulses = [...kept, ...atOnce].sort((a, b) => a.hour - b.hour);
  const last = setting.temps.at(-1);
  const temps =
    what === 'warmer' && last !== undefined
      ? [
          ...setting.temps.filter(({ hour }) => hour <= nowH),
          { hour: nowH, tempC: last.tempC },
          { hour: nowH + 1, tempC: last.tempC + WARMER_C },
        ]
      : setting.temps;
  return { ...planned, setting: { ...setting, temps, pulses } };
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
/** A must may hold a little more sugar than its figures say, and so end below dry. */
const BEYOND_DRY = 1.05;
/** Many gravities of one ledger at once: each by itself mixes the liquid anew. */
function gravitiesByShare(ledger: Ledger): (share: number) => number {
  const from = Math.min(0, shareGone(ledger));
  const span = BEYOND_DRY - from;
  const table = Array.from({ length: TABLED + 1 }, (_, i) => sgAtShare(ledger, from + (span * i) / TABLED));
  return (share) => {
    const place = (TABLED * (Math.max(from, Math.min(BEYOND_DRY, share)) - from)) / span;
    const i = Math.min(TABLED - 1, Math.floor(place));
    const [low, high] = [table[i] ?? 1, table[i + 1] ?? 1];
    return low + (high - low) * (place - i);
  };
}

/** The ledger as it will be once what is announced for that hour is in it. */
function withPours(ledger: Ledger, pours: readonly AnnouncedPour[]): Ledger {
  const liquid = { ...ledger.liquid };
  for (const { massG, composition } of pours) {
    const brought = broughtBy(massG, composition);
    for (const name of ['waterG', 'sugarG', 'unfermentableG', 'ethanolG', 'insolubleG'] as const) liquid[name] += brought[name];
    liquid.sugarBasisG += brought.sugarG;
  }
  return { ...ledger, liquid };
}

/** The gravity at an hour with so much sugar left, g/L; announced pours are in it from their hour on. */
export function gravityAlong(
  ledger: Ledger,
  { setting, nowH }: ForecastInput,
  announced: readonly AnnouncedPour[] = [],
): (hour: number, sugarGPerL: number) => number {
  const pitchedAt = ledger.history.pitch?.at ?? 0;
  const hourOf = ({ at }: AnnouncedPour): number => Math.max(nowH, (at - pitchedAt) / HOUR_MS);
  const stages = [...new Set([Number.NEGATIVE_INFINITY, ...announced.map(hourOf)])]
    .sort((a, b) => a - b)
    .map((fromH) => {
      const isIn = (pour: AnnouncedPour): boolean => hourOf(pour) <= fromH;
      const basisGPerL = sugarBasisAt(setting, Math.max(fromH, nowH));
      return { fromH, basisGPerL, atShare: gravitiesByShare(withPours(ledger, announced.filter(isIn))) };
    });
  return (hour, sugarGPerL) => {
    const stage = stages.findLast(({ fromH }) => fromH <= hour) ?? stages[0];
    return stage === undefined ? 1 : stage.atShare(1 - sugarGPerL / stage.basisGPerL);
  };
}

/** A forecast as gravities, from its now to a little beyond its end; empty before the pitch. */
export function gravityFan(
  { bands, endH }: Pick<Forecast, 'bands' | 'endH'>,
  input: ForecastInput,
  ledger: Ledger,
  announced: readonly AnnouncedPour[] = [],
): FanPoint[] {
  const { pitch } = ledger.history;
  if (pitch === null) return [];
  const { nowH, setting } = input;
  const sgOf = gravityAlong(ledger, input, announced);
  const untilH = Math.min(setting.horizonH, Math.max(nowH + LEAST_DRAWN_H, (endH?.value ?? 0) * BEYOND_END));
  return bands
    .filter(({ hour }) => hour >= nowH && hour <= untilH)
    .map(({ hour, low, middle, high }) => ({
      at: pitch.at + hour * HOUR_MS,
      low: sgOf(hour, low),
      middle: sgOf(hour, middle),
      high: sgOf(hour, high),
    }));
}
