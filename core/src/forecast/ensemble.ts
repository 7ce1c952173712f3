import { normal, seeded } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { RANGE_SD } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L } from '../yeast/index.ts';
import { ferment, gridOf } from './model.ts';
import type { Course, Grid, Kinetics } from './model.ts';

/** Plain data throughout, so that it can go to a worker. */
export interface ForecastInput {
  course: Course;
  tolerance: Ranged;
  /** Sugar left at each reading, g/L, with its standard deviation; in order. */
  readings: readonly { hour: number; sugarGPerL: number; sd: number }[];
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
  /** Sugar left, g/L: the middle and the 10–90 % range in which a reading should lie. */
  bands: Band[];
  thirdBreakH: Ranged | null;
  halfH: Ranged | null;
  endH: Ranged | null;
  finalSugarGPerL: Ranged;
  /** That it stops with more sugar than its tolerance explains. */
  stickProbability: number;
  /** The last reading lies outside the band: what the model knows does not fit this must. */
  missesLast: boolean;
}

/**
 * Central values and spreads (as standard deviations of the logarithm) before any reading: our estimates for honey musts. How strong
 * slowing, loss of affinity, tiring and death are at first was decided with both collections of docs/forecast.md in view.
 */
const PRIOR = {
  growthPerH: { center: 0.12, spread: 0.35 },
  uptakePerH: { center: 0.45, spread: 0.5 },
  yeastPerN: { center: 0.013, spread: 0.4 },
  deathPerH: { center: 0.0015, spread: 0.8 },
  lagH: { center: 14, spread: 0.5 },
  slowing: { center: 0.75, spread: 0.4 },
  halfSugar: { center: 8, spread: 1 },
  tiringPerH: { center: 0.001, spread: 1.3 },
} as const;
type Uncertain = keyof typeof PRIOR;
const UNCERTAIN = Object.keys(PRIOR) as Uncertain[];

/** What yeast leaves of its sugar, as a spread of the logarithm, and what a must may hold beside sugar more or less than its honey’s mean, g/L (our estimates). */
const DRY_SPREAD = 0.6;
const UNFERMENTABLE_SD_G_PER_L = 4;

/** What the model itself gets wrong, as a share of the sugar at the pitch (our estimate, set by the study in docs/forecast.md). */
const MODEL_SD = 0.02;
/** Near its end a must errs less: there is less to be wrong about; at least this share (our estimate). */
const LEAST_MODEL_SD = 0.35;
/** A reading of long ago says less of what is ahead: by so much more of that is allowed for each day before the last (our estimate, from the same study). */
const FADES_PER_DAY = 0.15;
/** Below this share of its sugar a must errs less, down to this part of it: there is less to be wrong about (our estimates). */
const DRY_SHARE = 0.1;
const DRY_NOISE = 0.5;
/** How far the cellar may drift from what is expected of it, °C, and its five equally likely steps (our estimates). */
export const DRIFT_SD_C = 1.2;
const DRIFT_STEPS = [-1.28, -0.53, 0, 0.53, 1.28] as const;
/** Likelihoods are taken in so many steps, so that few members carry them all at no time. */
const TEMPERING = [0.03, 0.1, 0.3, 1] as const;
/** How far a copied member is moved, as a share of the spread of all. */
const JITTER = 0.3;
/** More sugar than a dry mead keeps, g/L: a stop with it is a stall where the tolerance is not reached (our estimate). */
const STUCK_G_PER_L = 12;
/** Still moving: more than this in its last days, g/L. */
const MOVING_G_PER_L = 1;
const LAST_DAYS = 4;
/** Nearer to its tolerance than this share of it, a stop is an end. */
const AT_TOLERANCE = 0.97;
/** It has ended when it has no more than this to fall: a thousandth of SG, what a maker calls still. */
export const END_WITHIN_G_PER_L = 2.1;
/** From the last reading on the model’s own error grows to its full size within some days (our estimate). */
const STRAYS_DAYS = 5;
/** Points in the drawing. */
const DRAWN = 120;

type Member = Kinetics;

function drawMember(rng: Rng, tolerance: Ranged): Member {
  const value = (name: Uncertain): number => PRIOR[name].center * Math.exp(PRIOR[name].spread * normal(rng));
  return {
    growthPerH: value('growthPerH'),
    uptakePerH: value('uptakePerH'),
    yeastPerN: value('yeastPerN'),
    deathPerH: value('deathPerH'),
    lagH: value('lagH'),
    slowing: value('slowing'),
    halfSugar: value('halfSugar'),
    tiringPerH: value('tiringPerH'),
    dryGPerL: Math.max(0, DRY_SUGAR_G_PER_L.value * Math.exp(DRY_SPREAD * normal(rng)) + UNFERMENTABLE_SD_G_PER_L * normal(rng)),
    toleranceAbv: Math.max(4, tolerance.value + ((tolerance.high - tolerance.low) / (2 * RANGE_SD)) * normal(rng)),
  };
}

/** Sugar at an hour, straight between the grid's points. */
function sugarAt(sugar: Float64Array, grid: Grid, hour: number): number {
  const { hours, stepH } = grid;
  let [low, high] = [0, hours.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((hours[middle] ?? 0) <= hour) low = middle;
    else high = middle - 1;
  }
  const from = sugar[low] ?? 0;
  const to = sugar[low + 1] ?? from;
  return from + ((to - from) * (hour - (hours[low] ?? 0))) / (stepH[low] ?? 1);
}

function logLikelihood(sugar: Float64Array, grid: Grid, { readings, course }: ForecastInput): number {
  let sum = 0;
  const lastH = readings.at(-1)?.hour ?? 0;
  for (const reading of readings) {
    const fades = 1 + (FADES_PER_DAY * (lastH - reading.hour)) / 24;
    const left = Math.max(0, reading.sugarGPerL) / course.sugarGPerL;
    const sd = Math.hypot(reading.sd, MODEL_SD * course.sugarGPerL * fades * Math.min(1, LEAST_MODEL_SD + left));
    const off = (sugarAt(sugar, grid, reading.hour) - reading.sugarGPerL) / sd;
    /** A Student’s t with four degrees of freedom: one slip of the pen does not pull the whole forecast. */
    sum -= 2.5 * Math.log1p((off * off) / 4);
  }
  return sum;
}

/** Copies members by their weights, evenly, and moves each copy a little within the spread of all. */
function resample(members: readonly Member[], weights: readonly number[], rng: Rng): Member[] {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const names = [...UNCERTAIN, 'toleranceAbv'] as const;
  const means = names.map((name) => members.reduce((sum, member, i) => sum + ((weights[i] ?? 0) / total) * Math.log(member[name]), 0));
  const spreads = names.map((name, n) =>
    Math.sqrt(members.reduce((sum, member, i) => sum + ((weights[i] ?? 0) / total) * (Math.log(member[name]) - (means[n] ?? 0)) ** 2, 0)),
  );
  const shrink = Math.sqrt(1 - JITTER * JITTER);
  let [at, sum] = [0, weights[0] ?? 0];
  const start = rng();
  return members.map((_, i): Member => {
    const target = ((i + start) / members.length) * total;
    while (sum < target && at < members.length - 1) sum += weights[++at] ?? 0;
    const copy = { ...(members[at] ?? members[0]) } as Member;
    names.forEach((name, n) => {
      const mean = means[n] ?? 0;
      copy[name] = Math.exp(mean + shrink * (Math.log(copy[name]) - mean) + JITTER * (spreads[n] ?? 0) * normal(rng));
    });
    return copy;
  });
}

const quantile = (sorted: Float64Array, share: number): number => {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const from = sorted[below] ?? 0;
  return from + ((sorted[Math.min(sorted.length - 1, below + 1)] ?? from) - from) * (at - below);
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

export interface Progress {
  /** 0 to 1; called between parts of the work. */
  report: (share: number) => void;
  /** Waited for between parts of the work, so that others come to their turn; where it answers no, the forecast ends with null. */
  mayGoOn: () => Promise<boolean>;
}
const SILENT: Progress = { report: () => undefined, mayGoOn: () => Promise.resolve(true) };
const PART = 50;

/**
 * Where a must is heading: an ensemble of fermentations, drawn from what is usual, weighed by the readings step by step,
 * and run on into the future at the temperature of its last days, give or take the drift of a cellar. The same input gives the same answer.
 *
 * @returns null where it was cancelled
 */
export async function forecast(input: ForecastInput, progress: Progress = SILENT): Promise<Forecast | null> {
  const { course, readings, members: count, seed, nowH } = input;
  const rng = seeded(seed);
  let members = Array.from({ length: count }, () => drawMember(rng, input.tolerance));
  const lastH = readings.at(-1)?.hour ?? 0;
  const work = readings.length === 0 ? 1 : TEMPERING.length + 1;
  let done = 0;
  const pause = async (): Promise<boolean> => {
    progress.report(done / (work * count));
    return !(await progress.mayGoOn());
  };

  if (readings.length > 0) {
    const grid = gridOf({ ...course, horizonH: Math.max(1, lastH + 2) });
    const sugar = new Float64Array(grid.hours.length);
    let before = 0;
    for (const share of TEMPERING) {
      const logs: number[] = [];
      for (const member of members) {
        ferment(member, course, grid, sugar);
        logs.push(logLikelihood(sugar, grid, input));
        done++;
        if (done % PART === 0 && (await pause())) return null;
      }
      const best = Math.max(...logs);
      const step = share - before;
      before = share;
      members = resample(
        members,
        logs.map((log) => Math.exp(step * (log - best))),
        rng,
      );
    }
  }

  const grids = DRIFT_STEPS.map((step) => gridOf(course, nowH, step * DRIFT_SD_C));
  const [even] = grids;
  if (even === undefined) return null;
  const steps = even.hours.length;
  const runs: Float64Array[] = [];
  /** Where the model alone puts the last reading. */
  const stood = new Float64Array(count);
  for (const [i, member] of members.entries()) {
    const sugar = new Float64Array(steps);
    ferment(member, course, grids[i % grids.length] ?? even, sugar);
    stood[i] = sugarAt(sugar, even, lastH);
    if (readings.length > 0) anchor(sugar, even, input, rng);
    runs.push(sugar);
    done++;
    if (done % PART === 0 && (await pause())) return null;
  }
  return { ...summarize(input, even, runs, members), missesLast: missesLast(stood, input) };
}

/**
 * Takes a run through what was read last, as far as that is surer than the model: a draw of where the must may stand. What is ahead of
 * it shrinks or grows in proportion, its end stays.
 */
function anchor(sugar: Float64Array, grid: Grid, { readings, course }: ForecastInput, rng: Rng): void {
  const last = readings.at(-1);
  if (last === undefined) return;
  const [modelSd, noise] = [MODEL_SD * course.sugarGPerL, normal(rng)];
  const stands = sugarAt(sugar, grid, last.hour);
  const off = last.sugarGPerL - stands;
  const both = Math.hypot(modelSd, last.sd);
  /** A slip of the pen pulls less the farther off it is. */
  const gain = (modelSd / both) ** 2 / (1 + (off / both) ** 2 / 4);
  const drawn = stands + gain * off + Math.sqrt(Math.max(0, 1 - gain)) * modelSd * noise;
  const final = sugar.at(-1) ?? 0;
  const ratio = Math.min(MOST_STRETCH, Math.max(1 / MOST_STRETCH, (drawn - final) / Math.max(1, stands - final)));
  for (let k = 0; k < sugar.length; k++) if ((grid.hours[k] ?? 0) >= last.hour) sugar[k] = final + ((sugar[k] ?? 0) - final) * ratio;
}
/** A run that would have to be stretched farther says nothing of this must (our estimate). */
const MOST_STRETCH = 3;

/** Whether the last reading, with its own error, lies outside what the model makes of all of them. */
function missesLast(stood: Float64Array, { readings, course }: ForecastInput): boolean {
  const last = readings.at(-1);
  if (last === undefined) return false;
  const { value, low, high } = rangeOf(stood);
  const noise = RANGE_SD * Math.hypot(MODEL_SD * course.sugarGPerL, last.sd);
  return last.sugarGPerL < value - Math.hypot(value - low, noise) || last.sugarGPerL > value + Math.hypot(high - value, noise);
}

function summarize(
  { course, tolerance, readings }: ForecastInput,
  grid: Grid,
  runs: readonly Float64Array[],
  members: readonly Member[],
): Omit<Forecast, 'missesLast'> {
  const last = readings.at(-1);
  const steps = grid.hours.length;
  const every = Math.max(1, Math.floor(steps / DRAWN));
  const column = new Float64Array(runs.length);
  const bands: Band[] = [];
  for (let k = 0; k < steps; k += every) {
    runs.forEach((run, i) => (column[i] = run[k] ?? 0));
    const { value, low, high } = rangeOf(column);
    const ahead = Math.max(0, (grid.hours[k] ?? 0) - (last?.hour ?? 0)) / 24;
    const strays = last === undefined || (grid.hours[k] ?? 0) < last.hour ? 1 : Math.sqrt(1 - Math.exp((-2 * ahead) / STRAYS_DAYS));
    const noise = RANGE_SD * MODEL_SD * course.sugarGPerL * strays * Math.min(1, low / (DRY_SHARE * course.sugarGPerL) + DRY_NOISE);
    const [under, over] = [Math.hypot(value - low, noise), Math.hypot(high - value, noise)];
    bands.push({ hour: grid.hours[k] ?? 0, low: Math.max(0, value - under), middle: value, high: value + over });
  }
  const basis = course.pulses.reduce((sum, { scale, sugarGPerL }) => sum * scale + sugarGPerL, course.sugarGPerL);
  const finals = Float64Array.from(runs, (run) => run[steps - 1] ?? 0);
  const when = (leftOf: (i: number) => number): Ranged | null => {
    const hours = Float64Array.from(runs, (run, i) => hourOf(run, grid, leftOf(i)));
    const range = rangeOf(hours);
    return Number.isFinite(range.value) ? { ...range, high: Number.isFinite(range.high) ? range.high : course.horizonH } : null;
  };
  const stuck = runs.filter((run, i) => {
    const left = run[steps - 1] ?? 0;
    const abv = (basis - left) * course.abvPerSugar;
    const isMoving = sugarAt(run, grid, course.horizonH - LAST_DAYS * 24) - left > MOVING_G_PER_L;
    return left > STUCK_G_PER_L && !isMoving && abv < Math.min(tolerance.low, members[i]?.toleranceAbv ?? tolerance.low) * AT_TOLERANCE;
  });
  return {
    bands,
    thirdBreakH: when(() => basis * (2 / 3)),
    halfH: when(() => basis / 2),
    endH: when((i) => (finals[i] ?? 0) + END_WITHIN_G_PER_L),
    finalSugarGPerL: rangeOf(finals),
    stickProbability: stuck.length / runs.length,
  };
}
