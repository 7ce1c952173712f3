import type { EventContent } from '../../record/index.ts';
import { gravity, massG, say, volumeL } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';

/** What a starter for so much stuck mead brings into it besides the mead itself, written down when all is one again. */
export function starterPours(liters: number): EventContent[] {
  const starterL = liters / FIRST_PART;
  return [
    { kind: 'water', payload: { volumeL: starterL / 2 } },
    {
      kind: 'yeast',
      payload: { yeastId: 'strong', name: 'starter for what was stuck', massG: Math.max(LEAST_YEAST_G, YEAST_G_PER_L * liters) },
    },
    { kind: 'nutrient', payload: { source: 'organic', massG: starterL * STARTER_NUTRIENT_G_PER_L } },
  ];
}

export interface RestartStep {
  /** Days after its beginning, at the soonest. */
  day: number;
  sentence: Sentence;
  /** What the starter measures after this step, L. */
  starterL: number;
}

/** The starter begins as so small a part of it; a gram of dry yeast for each liter that is stuck, two at least (trade habit). */
const FIRST_PART = 16;
const YEAST_G_PER_L = 1;
const LEAST_YEAST_G = 2;
/** What feeds the starter, g/L (our estimate). */
const STARTER_NUTRIENT_G_PER_L = 2;
/** What the last doubling may take more than its part, so that no drop is left over. */
const LAST_BIT = 0.2;

/**
 * A starter that is brought to the stuck mead by doublings, each when its gravity above 1.000 has halved.
 * @param liters what is stuck, above 0
 */
export function restartPlan(liters: number, sg: number): RestartStep[] {
  const points = (at: number): number => 1 + at / 1000;
  const stuck = (sg - 1) * 1000;
  let starterL = liters / FIRST_PART;
  let has = stuck / 2;
  const steps: RestartStep[] = [
    {
      day: 0,
      starterL,
      sentence: say`Rehydrate ${massG(Math.max(LEAST_YEAST_G, YEAST_G_PER_L * liters))} of the strongest yeast you have, with rehydration nutrient. Bring it to ${volumeL(starterL)}: half of it the stuck mead, half water, with ${massG(starterL * STARTER_NUTRIENT_G_PER_L)} of organic nutrient. It reads about ${gravity(points(has))}.`,
    },
  ];
  let leftL = liters - starterL / 2;
  for (let day = 1; leftL > 0; day++) {
    const addL = leftL <= starterL * (1 + LAST_BIT) ? leftL : starterL;
    leftL -= addL;
    steps.push({
      day,
      starterL: starterL + addL,
      sentence: say`When it reads ${gravity(points(has / 2))} or less, add ${volumeL(addL)} of the stuck mead. Not before; if it takes more than three days, stop: the mead is beyond this yeast.`,
    });
    has = ((has / 2) * starterL + stuck * addL) / (starterL + addL);
    starterL += addL;
  }
  return steps;
}
