import { HELD_BACK_G_PER_G } from '../ingredients/index.ts';
import { ASSUMPTION_NAMES, CENTRAL_ASSUMPTIONS, assumptionInputs, assumptionsFrom } from '../record/index.ts';
import { normal } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { RANGE_SD, exactly, propagate, within } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L, yeastOf } from '../yeast/index.ts';
import { measureMust } from './measure.ts';
import type { Course, MustFigure } from './measure.ts';
import type { MustPlan } from './plan.ts';

export type MustFigures = Record<MustFigure, Ranged>;

/** Lees differ by half from batch to batch (our estimate). */
const LEES_SCALE = within(1, 0.5);

/** The one course that takes every assumption at its middle. */
export const centralCourse = (plan: Pick<MustPlan, 'yeastId' | 'own'>): Course => ({
  assumptions: CENTRAL_ASSUMPTIONS,
  toleranceAbv: yeastOf(plan).toleranceAbv.value,
  drySugarGPerL: DRY_SUGAR_G_PER_L.value,
  heldBackGPerG: HELD_BACK_G_PER_G.value,
  leesScale: 1,
});

/** No reading has been taken yet; each ingredient's sugar varies by itself, not with the others. */
const UNUSED = ['mustReadingBias', 'readingBias', 'sugarShift'] as const;

function inputsOf(plan: MustPlan): Ranged[] {
  const shifts = plan.ingredients.map((ingredient) => (ingredient.sugarSpread > 0 && ingredient.massG > 0 ? within(0, 1) : exactly(0)));
  return [yeastOf(plan).toleranceAbv, DRY_SUGAR_G_PER_L, HELD_BACK_G_PER_G, LEES_SCALE, ...assumptionInputs(UNUSED), ...shifts];
}

const COURSE_INPUTS = 4;
function courseFrom(values: readonly number[]): Course {
  const [toleranceAbv = 0, drySugarGPerL = 0, heldBackGPerG = 0, leesScale = 1] = values;
  const rest = values.slice(COURSE_INPUTS);
  return {
    toleranceAbv,
    drySugarGPerL,
    heldBackGPerG,
    leesScale,
    assumptions: assumptionsFrom(rest.slice(0, ASSUMPTION_NAMES.length)),
    sugarShifts: rest.slice(ASSUMPTION_NAMES.length),
  };
}

/** What a plan makes, each figure with its 10–90 % range (first-order propagation; `drawMust` agrees with it). */
export function predictMust(plan: MustPlan): MustFigures {
  const figures = propagate<MustFigure>(inputsOf(plan), (values) => measureMust(plan, courseFrom(values)));
  /** What propagation reaches straight on may lie below none at all. */
  const notLess = ({ value, low, high }: Ranged): Ranged => ({ value, low: Math.max(0, low), high });
  return Object.fromEntries(Object.entries(figures).map(([name, figure]) => [name, notLess(figure)])) as MustFigures;
}

/**
 * The same ranges by drawing: each input from a normal distribution whose sides are its low and high ends.
 * Slower than `predictMust` by the number of draws; it takes curved figures as they are.
 */
export function drawMust(rng: Rng, plan: MustPlan, draws: number): MustFigures {
  const inputs = inputsOf(plan);
  const drawn: Record<string, number[]> = {};
  for (let n = 0; n < draws; n++) {
    const values = inputs.map(({ value, low, high }) => {
      if (low === high) return value;
      const z = normal(rng) / RANGE_SD;
      return value + z * (z < 0 ? value - low : high - value);
    });
    values[1] = Math.max(0, values[1] ?? 0);
    for (const [name, value] of Object.entries(measureMust(plan, courseFrom(values)))) (drawn[name] ??= []).push(value);
  }
  const at = (sorted: number[], share: number): number => sorted[Math.round(share * (sorted.length - 1))] ?? Number.NaN;
  return Object.fromEntries(
    Object.entries(drawn).map(([name, values]) => {
      values.sort((a, b) => a - b);
      return [name, { value: at(values, 0.5), low: at(values, 0.1), high: at(values, 0.9) }];
    }),
  ) as MustFigures;
}
