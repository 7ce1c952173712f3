import { backwardSolve, cholesky, forwardSolve, normal } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { evenLead, follow } from './follow.ts';
import type { Followed, SugarReading } from './follow.ts';
import { ferment, gridOf } from './model.ts';
import type { Kinetics, Setting } from './model.ts';
import { DIMENSIONS, memberOf } from './prior.ts';

/** A fermentation that the readings leave possible. */
export interface Member {
  kinetics: Kinetics;
  followed: Followed;
}

/** A member may run ahead of its law by so much, h. */
const MARGIN_H = 72;
/** The search for the likeliest: so many steps of Gauss and Newton, by differences of so much, each halved at most so often. */
const SEARCH = { steps: 5, difference: 0.2, halvings: 3, enough: 0.1 } as const;
/** Draws are wider than the bell at the top says: its flanks fall off slower. */
const WIDER = 1.25;
/** So many are drawn for each that is kept: where few are kept, they are chosen among more; a short run costs little. */
const DRAWN_FOR_EACH = { few: 2, many: 1 } as const;
/** Fewer effective members than this share, and they are drawn anew around those that count; at most so often. */
const FEW_SHARE = 0.25;
const REDRAWS = 3;

interface Bell {
  middle: Float64Array;
  /** Lower triangle of the inverse of its covariance. */
  precision: Float64Array[];
}

const isNothing = (step: Float64Array): boolean => step.every((each) => Math.abs(each) < SEARCH.enough);

/** The likeliest member, and how fast likelihood falls off around it. */
function likeliest(judge: (z: Float64Array) => Followed): Bell {
  let z = new Float64Array(DIMENSIONS);
  const missOf = (at: Float64Array, { residuals }: Followed): number =>
    residuals.reduce((sum, r) => sum + r * r, 0) + at.reduce((sum, each) => sum + each * each, 0);
  let now = judge(z);
  let miss = missOf(z, now);
  let precision: Float64Array[] = [];
  for (let step = 0; step < SEARCH.steps; step++) {
    const columns = Array.from(z, (each, i) => {
      const moved = judge(z.with(i, each + SEARCH.difference));
      return moved.residuals.map((r, k) => (r - (now.residuals[k] ?? 0)) / SEARCH.difference);
    });
    const matrix = columns.map((a, i) =>
      Float64Array.from(columns, (b, j) => a.reduce((sum, r, k) => sum + r * (b[k] ?? 0), i === j ? 1 : 0)),
    );
    precision = cholesky(matrix);
    const slope = columns.map((column, i) => column.reduce((sum, r, k) => sum + r * (now.residuals[k] ?? 0), z[i] ?? 0));
    const full = backwardSolve(precision, forwardSolve(precision, slope));
    let reach = 1;
    let isBetter = false;
    for (let halving = 0; halving <= SEARCH.halvings && !isBetter; halving++, reach /= 2) {
      const next = z.map((each, i) => each - reach * (full[i] ?? 0));
      const there = judge(next);
      const missThere = missOf(next, there);
      isBetter = missThere < miss;
      if (isBetter) [z, now, miss] = [next, there, missThere];
    }
    if (!isBetter || isNothing(full)) break;
  }
  return { middle: z, precision };
}

/** The bell that members with these weights form, with a little of the prior in it, so that it never collapses. */
function bellOf(zs: readonly Float64Array[], weights: readonly number[]): Bell {
  const middle = new Float64Array(DIMENSIONS);
  zs.forEach((z, m) => z.forEach((each, i) => (middle[i] = (middle[i] ?? 0) + (weights[m] ?? 0) * each)));
  const covariance = Array.from(middle, (_, i) => {
    const row = new Float64Array(DIMENSIONS);
    zs.forEach((z, m) => {
      const off = (weights[m] ?? 0) * ((z[i] ?? 0) - (middle[i] ?? 0));
      for (let j = 0; j < DIMENSIONS; j++) row[j] = (row[j] ?? 0) + off * ((z[j] ?? 0) - (middle[j] ?? 0));
    });
    row[i] = (row[i] ?? 0) + LEAST_VARIANCE;
    return row;
  });
  const lower = cholesky(covariance);
  const units = Array.from(middle, (_, i) => backwardSolve(lower, forwardSolve(lower, new Float64Array(DIMENSIONS).with(i, 1))));
  return { middle, precision: cholesky(units) };
}
const LEAST_VARIANCE = 0.02;

/** Evenly by weight. */
function evenly<T>(of: readonly T[], weights: readonly number[], count: number, start: number): T[] {
  let [at, sum] = [0, weights[0] ?? 0];
  return Array.from({ length: count }, (_, i) => {
    while (sum < (i + start) / count && at < of.length - 1) sum += weights[++at] ?? 0;
    return of[at] as T;
  });
}

/**
 * Draws fermentations that the readings leave possible: around the likeliest one, weighed by how well each follows them (importance
 * sampling about Laplace’s approximation; drawn anew around those that count where too few do). Yields now and then.
 */
export function* membersOf(
  setting: Setting,
  tolerance: Ranged,
  readings: readonly SugarReading[],
  { count, rng, isCoarse }: { count: number; rng: Rng; isCoarse: boolean },
): Generator<void, Member[]> {
  const bell = (): Float64Array => Float64Array.from({ length: DIMENSIONS }, () => normal(rng));
  const lastH = readings.at(-1)?.hour ?? 0;
  if (readings.length === 0)
    return Array.from({ length: count }, () => ({
      kinetics: memberOf(bell(), tolerance),
      followed: { logLikelihood: 0, residuals: [], lead: evenLead(), lastH },
    }));
  const grid = gridOf({ ...setting, horizonH: lastH + MARGIN_H }, { isCoarse });
  const sugar = new Float64Array(grid.hours.length);
  const judge = (z: Float64Array): Followed => {
    ferment(memberOf(z, tolerance), setting, grid, sugar);
    return follow(sugar, grid, setting, readings);
  };
  const drawnCount = count * (isCoarse ? DRAWN_FOR_EACH.few : DRAWN_FOR_EACH.many);
  let { middle, precision } = likeliest(judge);
  for (let round = 0; ; round++) {
    const drawn: { z: Float64Array; followed: Followed; log: number }[] = [];
    let unit = bell();
    for (let i = 0; i < drawnCount; i++) {
      /** In pairs on opposite sides of the middle, so that few of them lie evenly too. */
      unit = i % 2 === 0 ? bell() : unit.map((each) => -each);
      const off = backwardSolve(precision, unit);
      const z = middle.map((each, k) => each + WIDER * (off[k] ?? 0));
      const followed = judge(z);
      const square = (of: Float64Array): number => of.reduce((sum, each) => sum + each * each, 0);
      drawn.push({ z, followed, log: followed.logLikelihood - 0.5 * square(z) + 0.5 * square(unit) });
      yield;
    }
    const best = Math.max(...drawn.map(({ log }) => log));
    const raw = drawn.map(({ log }) => Math.exp(log - best));
    const total = raw.reduce((sum, weight) => sum + weight, 0);
    const weights = raw.map((weight) => weight / total);
    const effective = 1 / weights.reduce((sum, weight) => sum + weight * weight, 0);
    if (effective >= FEW_SHARE * count || round === (isCoarse ? 1 : REDRAWS))
      return evenly(drawn, weights, count, rng()).map(({ z, followed }) => ({ kinetics: memberOf(z, tolerance), followed }));
    ({ middle, precision } = bellOf(
      drawn.map(({ z }) => z),
      weights,
    ));
  }
}
