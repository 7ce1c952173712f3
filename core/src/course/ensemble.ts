import { normal, seeded } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { SPEED_KEEPS_H, SPEED_SD, onItsSide, placeOf } from './follow.ts';
import type { SugarReading } from './follow.ts';
import { ferment, gridOf, sugarBasisAt } from './model.ts';
import type { Grid, Setting } from './model.ts';
import { membersOf } from './posterior.ts';
import type { Member } from './posterior.ts';

/** Plain data throughout, so that it can go to a worker. */
export interface ForecastInput {
  setting: Setting;
  tolerance: Ranged;
  /** In order. */
  readings: readonly SugarReading[];
  /** From here on it is a forecast. */
  nowH: number;
  members: number;
  seed: number;
}

interface Band {
  hour: number;
  low: number;
  middle: number;
  high: number;
}

export interface Forecast {
  /** Sugar left, g/L: the middle and the 10–90 % range. */
  bands: Band[];
  /** Its later end is infinity where that lies beyond the horizon; null where the middle does. */
  endH: Ranged | null;
  finalSugarGPerL: Ranged;
  /** That it stops with more sugar than its tolerance explains. */
  stickProbability: number;
  /** The last reading lies outside the band: what the model knows does not fit this must. */
  missesLast: boolean;
}

/** How far the cellar may drift from what is expected of it, °C, and its five equally likely steps (our estimates). */
export const DRIFT_SD_C = 1;
const DRIFT_STEPS = [-1.28, -0.53, 0, 0.53, 1.28] as const;
/** More sugar than a dry mead keeps, g/L: a stop with it is a stall where the tolerance is not reached (our estimate). */
const STUCK_G_PER_L = 12;
/** Still moving: more than this in its last days, g/L. */
const MOVING_G_PER_L = 1;
const LAST_DAYS = 4;
/** Nearer to its tolerance than this share of it, a stop is an end. */
const AT_TOLERANCE = 0.97;
/** It has ended when it has no more than this to fall: a thousandth of SG, what a maker calls still. */
export const END_WITHIN_G_PER_L = 2.1;
/** At most so many points in the bands. */
const DRAWN = 240;
/** What a must gains on its law ahead is drawn day by day. */
const LEAD_STEP_H = 24;

const quantile = (sorted: Float64Array, share: number): number => {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const from = sorted[below] ?? 0;
  const to = sorted[Math.min(sorted.length - 1, below + 1)] ?? from;
  return from === to ? from : from + (to - from) * (at - below);
};

const rangeOf = (values: Float64Array): Ranged => {
  const sorted = values.toSorted();
  return { value: quantile(sorted, 0.5), low: quantile(sorted, 0.1), high: quantile(sorted, 0.9) };
};

/** The hour at which so much sugar is left, or infinity. */
function hourOf(sugar: Float64Array, { hours, stepH }: Grid, leftGPerL: number): number {
  const k = sugar.findIndex((left) => left <= leftGPerL);
  if (k <= 0) return k === 0 ? 0 : Number.POSITIVE_INFINITY;
  const [before, after] = [sugar[k - 1] ?? 0, sugar[k] ?? 0];
  return (hours[k - 1] ?? 0) + ((stepH[k - 1] ?? 0) * (before - leftGPerL)) / Math.max(1e-9, before - after);
}

/** What a member is ahead of its law at each day from its last reading on, one of the ways that are possible. */
function leadAhead({ followed: { lead, lastH } }: Member, horizonH: number, rng: Rng): Float64Array {
  const spread = Math.sqrt(lead.varAhead);
  const [first, second] = [normal(rng), normal(rng)];
  let aheadH = lead.aheadH + spread * first;
  const tied = spread > 0 ? lead.covariance / spread : 0;
  let speed = lead.speed + tied * first + Math.sqrt(Math.max(0, lead.varSpeed - tied * tied)) * second;
  const keeps = Math.exp(-LEAD_STEP_H / SPEED_KEEPS_H);
  const fresh = SPEED_SD * Math.sqrt(1 - keeps * keeps);
  const days = Math.max(1, Math.ceil((horizonH - lastH) / LEAD_STEP_H) + 1);
  const leads = new Float64Array(days);
  for (let day = 0; day < days; day++) {
    leads[day] = aheadH;
    const next = keeps * speed + fresh * normal(rng);
    aheadH += LEAD_STEP_H * (Math.exp((speed + next) / 2) - 1);
    speed = next;
  }
  return leads;
}

/** A member’s course on the clock: its law, as far ahead or behind as it is. */
function onTheClock(law: Float64Array, grid: Grid, setting: Setting, member: Member, rng: Rng): Float64Array {
  const { lastH } = member.followed;
  const leads = leadAhead(member, setting.horizonH, rng);
  const out = new Float64Array(law.length);
  let k = 0;
  for (let i = 0; i < out.length; i++) {
    const hour = grid.hours[i] ?? 0;
    const place = Math.max(0, (hour - lastH) / LEAD_STEP_H);
    const day = Math.min(leads.length - 2, Math.floor(place));
    const aheadH =
      hour < lastH
        ? ((leads[0] ?? 0) * hour) / lastH
        : leads.length < 2
          ? (leads[0] ?? 0)
          : (leads[day] ?? 0) + ((leads[day + 1] ?? 0) - (leads[day] ?? 0)) * (place - day);
    const lawH = onItsSide(hour, aheadH, setting);
    if ((grid.hours[k] ?? 0) > lawH) k = placeOf(grid, lawH);
    while (k < out.length - 1 && (grid.hours[k + 1] ?? 0) <= lawH) k++;
    const from = law[k] ?? 0;
    const to = law[k + 1] ?? from;
    out[i] = from + (to - from) * Math.max(0, Math.min(1, (lawH - (grid.hours[k] ?? 0)) / (grid.stepH[k] ?? 1)));
  }
  return out;
}

/** All of it; yields between its parts. */
function* reckoned(input: ForecastInput, isCoarse: boolean): Generator<void, Forecast> {
  const { setting, readings, members: count, seed, nowH } = input;
  const rng = seeded(seed);
  const members = yield* membersOf(setting, input.tolerance, readings, { count, rng, isCoarse });
  const grids = DRIFT_STEPS.map((step) => gridOf(setting, { isCoarse, fromH: nowH, warmerC: step * DRIFT_SD_C }));
  const even = grids[2] as Grid;
  const law = new Float64Array(even.hours.length);
  const runs: Float64Array[] = [];
  for (const [i, member] of members.entries()) {
    ferment(member.kinetics, setting, grids[i % grids.length] ?? even, law);
    runs.push(onTheClock(law, even, setting, member, rng));
    yield;
  }
  return { ...summarize(input, even, runs, members), missesLast: missesLast(members) };
}

export interface Progress {
  /** 0 to 1; called between parts of the work. */
  report: (share: number) => void;
  /** Waited for between parts of the work, so that others come to their turn; where it answers no, the forecast ends with null. */
  mayGoOn: () => Promise<boolean>;
}
const SILENT: Progress = { report: () => undefined, mayGoOn: () => Promise.resolve(true) };
const PART = 50;

/**
 * Where a must is heading: an ensemble of fermentations, drawn from what is usual, weighed by the readings,
 * and run on into the future at the temperature of its last days, give or take the drift of a cellar. The same input gives the same answer.
 *
 * @returns null where it was cancelled
 */
export async function forecast(input: ForecastInput, progress: Progress = SILENT): Promise<Forecast | null> {
  const work = reckoned(input, false);
  const all = (input.readings.length === 0 ? 1 : 2) * input.members;
  for (let done = 1; ; done++) {
    const step = work.next();
    if (step.done === true) return step.value;
    if (done % PART !== 0) continue;
    progress.report(Math.min(1, done / all));
    if (!(await progress.mayGoOn())) return null;
  }
}

/** The same at once, by coarser steps: for what is asked often of few members. */
export function forecastAtOnce(input: ForecastInput): Forecast {
  const work = reckoned(input, true);
  let step = work.next();
  while (step.done !== true) step = work.next();
  return step.value;
}

/** Farther off than this, in its own standard deviations, the last reading is no part of what most members make of the others. */
const MISSES = 2.5;
/** Whether the last reading, with its own error, lies outside what the model makes of all of them. */
function missesLast(members: readonly Member[]): boolean {
  const off = Float64Array.from(members, ({ followed: { residuals } }) => Math.abs(residuals.at(-1) ?? 0));
  return rangeOf(off).value > MISSES;
}

function summarize(
  { setting, tolerance }: ForecastInput,
  grid: Grid,
  runs: readonly Float64Array[],
  members: readonly Member[],
): Omit<Forecast, 'missesLast'> {
  const steps = grid.hours.length;
  const every = Math.max(1, Math.ceil(steps / DRAWN));
  const column = new Float64Array(runs.length);
  const bands: Band[] = [];
  for (let k = 0; k < steps; k += every) {
    runs.forEach((run, i) => (column[i] = run[k] ?? 0));
    const { value, low, high } = rangeOf(column);
    bands.push({ hour: grid.hours[k] ?? 0, low, middle: value, high });
  }
  const basis = sugarBasisAt(setting);
  const finals = Float64Array.from(runs, (run) => run[steps - 1] ?? 0);
  const movingK = placeOf(grid, setting.horizonH - LAST_DAYS * 24);
  const isMoving = (run: Float64Array): boolean => (run[movingK] ?? 0) - (run[steps - 1] ?? 0) > MOVING_G_PER_L;
  /** What still moves at the horizon ends beyond it, and what never begins has no end to name. */
  const end = rangeOf(
    Float64Array.from(runs, (run) => {
      const within = (run[steps - 1] ?? 0) + END_WITHIN_G_PER_L;
      return isMoving(run) || (run[0] ?? 0) <= within ? Number.POSITIVE_INFINITY : hourOf(run, grid, within);
    }),
  );
  const stuck = runs.filter((run, i) => {
    const left = run[steps - 1] ?? 0;
    const abv = (basis - left) * setting.abvPerSugar;
    return (
      left > STUCK_G_PER_L &&
      !isMoving(run) &&
      abv < Math.min(tolerance.low, members[i]?.kinetics.toleranceAbv ?? tolerance.low) * AT_TOLERANCE
    );
  });
  return {
    bands,
    endH: Number.isFinite(end.value) ? end : null,
    finalSugarGPerL: rangeOf(finals),
    stickProbability: stuck.length / runs.length,
  };
}
