import { findRoot, settled } from '../numerics/index.ts';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import { afterSugar, fermentSugar, pour } from '../masses/index.ts';
import { broughtByPlanned, mixMust } from './compose.ts';
import { mustsOf } from './measure.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';
import { centralCourse } from './predict.ts';

/** Gravity a must may safely start at; above 1.120 to 1.130 the sugar itself holds the yeast back (trade habit). */
export const SAFE_START_SG = 1.11;
/** Where a must begins to be hard on yeast, SG (trade habit: above 1.120 to 1.130). */
export const STRONG_START_SG = 1.12;
/** Where it may never begin, SG (trade habit). */
export const TOO_STRONG_START_SG = 1.135;
/** Gravity at which the next honey goes in, and the most it may lift the must to (trade habit; our figures). */
export const FEED_AT_SG = 1.03;
const FEED_TO_SG = 1.055;

/** A smaller share of the honey is not worth keeping back; a smaller rest joins the step before (our estimates). */
const LEAST_FED_SHARE = 0.02;
const LEAST_STEP_SHARE = 0.03;

interface HoneyStep {
  number: number;
  massG: number;
  /** Give it when the must has fallen to this. */
  atSg: number;
  /** Where the must stands after it. */
  toSg: number;
}

export interface StepFeeding {
  /** Share of each honey that goes in before the pitch. */
  startShare: number;
  startSg: number;
  steps: HoneyStep[];
  /** Gravity the must would have had with all the honey at once. */
  effectiveOg: number;
}

/** How to start a too strong must weaker and feed it the rest of its honey; null where it may start as it is. */
export function stepFeedingOf(plan: MustPlan): StepFeeding | null {
  const course = centralCourse(plan);
  const gathered = withStartShare(plan, 1);
  const effectiveOg = mixMust(mustsOf(gathered, course).start).sg;
  const sgWith = (share: number): number => mixMust(mustsOf(withStartShare(plan, share), course).start).sg;
  if (effectiveOg <= STRONG_START_SG || sgWith(0) >= SAFE_START_SG) return null;
  const startShare = settled(findRoot((share) => sgWith(share) - SAFE_START_SG, 0, 1, 1e-6));
  if (1 - startShare < LEAST_FED_SHARE) return null;
  const started = withStartShare(plan, startShare);
  const honeys = gathered.ingredients.filter(({ family, stage }) => family === 'honey' && stage === 'before');
  let backG = honeys.reduce((sum, { massG }) => sum + massG, 0) * (1 - startShare);
  let must = mustsOf(started, course).start;
  const steps: HoneyStep[] = [];
  while (backG > 1 && steps.length < 12) {
    must = fermentedTo(must, FEED_AT_SG);
    const atSg = mixMust(must).sg;
    const fed = (massG: number) => {
      const next = { ...must, insolubleG: 0 };
      for (const honey of honeys)
        pour(next, broughtByPlanned({ ...honey, massG: (massG * honey.massG) / sumG(honeys) }, CENTRAL_ASSUMPTIONS, 0));
      return next;
    };
    const most = settled(findRoot((massG) => mixMust(fed(massG)).sg - FEED_TO_SG, 0, 1e6, 0.01));
    /** What is left goes along where it would be no step of its own. */
    const massG = backG - most < LEAST_STEP_SHARE * most ? backG : most;
    must = fed(massG);
    backG -= massG;
    steps.push({ number: steps.length + 1, massG, atSg, toSg: mixMust(must).sg });
  }
  return { startShare, startSg: SAFE_START_SG, steps, effectiveOg };
}

const sumG = (honeys: readonly PlannedIngredient[]): number => honeys.reduce((sum, { massG }) => sum + massG, 0);

/** Fermented down to a gravity, or as far as its sugar goes. */
function fermentedTo(must: ReturnType<typeof mustsOf>['start'], sg: number): typeof must {
  const after = (sugarG: number): number => afterSugar(must, sugarG, CENTRAL_ASSUMPTIONS).sg;
  if (after(must.sugarG) >= sg) return fermentSugar(must, must.sugarG, CENTRAL_ASSUMPTIONS);
  const eaten = settled(findRoot((sugarG) => after(sugarG) - sg, 0, must.sugarG, 1e-4));
  return fermentSugar(must, eaten, CENTRAL_ASSUMPTIONS);
}

const FED = ' (fed)';

/** The plan with this share of every honey before the pitch and the rest during the ferment; 1 brings it all back together. */
export function withStartShare(plan: MustPlan, share: number): MustPlan {
  const together = plan.ingredients
    .filter((ingredient) => !ingredient.id.endsWith(FED))
    .map((ingredient) => {
      const fed = plan.ingredients.find(({ id }) => id === ingredient.id + FED);
      return fed === undefined ? ingredient : { ...ingredient, massG: ingredient.massG + fed.massG };
    });
  const ingredients = together.flatMap((ingredient): PlannedIngredient[] => {
    if (ingredient.family !== 'honey' || ingredient.stage !== 'before' || share >= 1) return [ingredient];
    return [
      { ...ingredient, massG: ingredient.massG * share },
      { ...ingredient, id: ingredient.id + FED, massG: ingredient.massG * (1 - share), stage: 'during' },
    ];
  });
  return { ...plan, ingredients };
}
