import { HIGHEST_PH } from '../../../acid/index.ts';
import { phValue, say } from '../../../quantities/index.ts';
import { cureOf, isLikely } from './cure.ts';
import type { CureRule } from './cure.ts';

/** A pH to aim for: not below this, nor nearer than the other to what the yeast bears (our estimates). */
const AIM_PH = { least: 3.3, aboveFloor: 0.25 } as const;

export const raisePh: CureRule = (ailing) => {
  const { ph, yeast } = ailing.evidence;
  const isCalledFor = (isLikely(ailing, 'sour') && (ph === null || ph < HIGHEST_PH)) || (isLikely(ailing, 'addition') && ph === null);
  if (!isCalledFor) return null;
  const begin = ph === null ? say`Measure the pH. Below ${phValue(yeast.phFloor)}, raise it` : say`Raise the pH`;
  const aim = phValue(Math.max(AIM_PH.least, yeast.phFloor + AIM_PH.aboveFloor));
  return cureOf('raise pH', [
    ...begin,
    ...say` toward ${aim}: half of the potassium salt that a glass of it takes, then measure, then the rest.`,
  ]);
};
