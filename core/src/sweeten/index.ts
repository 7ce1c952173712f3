/* Sweetening by target, in the glass and in the batch. */
export {
  SWEETNESS,
  additionsOf,
  gramsToReach,
  scaleFromGlassG,
  sugarRange,
  sweeten,
  sweetenWithSolid,
  whatItWouldBecome,
} from './sweeten.ts';
export type { SweetTarget, Sweetened } from './sweeten.ts';
export { MAKERS_WORDS, WAKES_H, wordOfGravity, wordOfSugar } from './words.ts';
export { sweetenWorking } from './working.ts';
