import { INSOLUBLE_KG_PER_L } from '../ingredients/index.ts';
import type { Assumptions } from '../record/index.ts';
import { WATER_20_KG_PER_M3 } from '../liquid/index.ts';
import { afterSugar, pour } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import { stopsAt, sugarAtAbv } from '../yeast/index.ts';
import { broughtByPlanned, composeMust, mixMust } from './compose.ts';
import type { MustPlan } from './plan.ts';

/** What is assumed of one possible course: the ledger's assumptions and what only a plan has to guess. */
export interface Course {
  assumptions: Assumptions;
  toleranceAbv: number;
  drySugarGPerL: number;
  heldBackGPerG: number;
  /** Times the planned share of lees. */
  leesScale: number;
  /** By ingredient; the assumptions' shared shift where not given. */
  sugarShifts?: readonly number[];
}

/** The yeast's tolerance and dryness are not given to these: what the sugar alone would do, smooth in every amount. */
export interface Unbounded {
  abvDry: number;
  /** g/L left where the alcohol reaches the tolerance; negative where the sugar does not suffice for that. */
  sugarAtToleranceGPerL: number;
}

export type MustFigure =
  | 'volumeL'
  | 'og'
  | 'effectiveOg'
  | 'sugarGPerL'
  | 'abvDry'
  | 'abv'
  | 'fg'
  | 'sugarLeftGPerL'
  | 'fillL'
  | 'rackedL'
  | 'finishedL'
  | 'finishedSg'
  | 'finishedAbv'
  | 'finishedSugarGPerL';

/** Everything before the pitch, and everything the yeast will meet. */
export function mustsOf(plan: MustPlan, course: Pick<Course, 'assumptions' | 'sugarShifts'>): { start: Masses; whole: Masses } {
  const isIn = (stage: string): boolean[] => plan.ingredients.map((ingredient) => ingredient.stage === stage);
  const before = isIn('before');
  const during = isIn('during');
  const only = (chosen: boolean[]) => plan.ingredients.filter((_, i) => chosen[i]);
  const shifts = (chosen: boolean[]) => course.sugarShifts?.filter((_, i) => chosen[i]);
  const start = composeMust(only(before), plan.waterL, course.assumptions, shifts(before));
  if (!during.includes(true)) return { start, whole: start };
  const whole = { ...start };
  const later = composeMust(only(during), 0, course.assumptions, shifts(during));
  pour(whole, later);
  return { start, whole };
}

/** The figures of a plan under one course of assumptions. */
export function measureMust(plan: MustPlan, course: Course): Record<MustFigure, number> {
  const { assumptions } = course;
  const { start, whole } = mustsOf(plan, course);
  const atPitch = mixMust(start);
  const all = whole === start ? atPitch : mixMust(whole);
  const stop = stopsAt(whole, course.toleranceAbv, course.drySugarGPerL, assumptions);
  const heldL = (whole.insolubleG * course.heldBackGPerG) / (stop.sg * WATER_20_KG_PER_M3);
  const rackedL = Math.max(0, stop.volumeL * (1 - plan.losses.leesShare * course.leesScale) - heldL - plan.losses.samplesL);
  const finished = finishedMead(plan, course, stop, rackedL);
  return {
    volumeL: atPitch.volumeL,
    og: atPitch.sg,
    effectiveOg: all.sg,
    sugarGPerL: whole.sugarG / all.volumeL,
    abvDry: afterSugar(whole, whole.sugarG, assumptions).abv,
    abv: stop.abv,
    fg: stop.sg,
    sugarLeftGPerL: stop.sugarGPerL,
    fillL: all.volumeL + whole.insolubleG / (1000 * INSOLUBLE_KG_PER_L),
    rackedL,
    ...finished,
  };
}

/** What is racked, with what goes in afterwards. */
function finishedMead(plan: MustPlan, course: Course, stop: ReturnType<typeof stopsAt>, rackedL: number) {
  const mead = { ...stop.mead, insolubleG: 0 };
  const keep = stop.volumeL > 0 ? rackedL / stop.volumeL : 0;
  for (const part of ['waterG', 'sugarG', 'unfermentableG', 'ethanolG'] as const) mead[part] *= keep;
  plan.ingredients.forEach((ingredient, i) => {
    if (ingredient.stage === 'after') pour(mead, broughtByPlanned(ingredient, course.assumptions, course.sugarShifts?.[i]));
  });
  const mixed = mixMust(mead);
  return {
    finishedL: mixed.volumeL,
    finishedSg: mixed.sg,
    finishedAbv: mixed.abv,
    finishedSugarGPerL: mixed.volumeL > 0 ? mead.sugarG / mixed.volumeL : 0,
  };
}

/** What the solver steers by where tolerance or dryness would flatten the figure that the maker wants. */
export function unboundedOf(plan: MustPlan, course: Course): Unbounded {
  const { whole } = mustsOf(plan, course);
  const eaten = sugarAtAbv(whole, course.toleranceAbv, course.assumptions);
  const dryL = afterSugar(whole, whole.sugarG, course.assumptions).volumeL;
  return {
    abvDry: afterSugar(whole, Math.max(0, whole.sugarG - course.drySugarGPerL * dryL), course.assumptions).abv,
    sugarAtToleranceGPerL: (whole.sugarG - eaten.sugarG) / eaten.volumeL,
  };
}
