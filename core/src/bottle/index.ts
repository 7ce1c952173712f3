/* Bottles: how many, of what sizes, what they cost, what their labels may say; what cleans them. */
export { bottleSizesMl, countBottles } from './count.ts';
export { bottleCost, bottlesNeeded, planBottles } from './plan.ts';
export { batchCode, labelAbv, labelFacts } from './label.ts';
export type { LabelFacts, LabelRule } from './label.ts';
export { allergensOf, so2MgPerL } from './allergens.ts';
export type { Allergen } from './allergens.ts';
export { checkMeasured, crateTold, planCrate } from './crate.ts';
export type { CratePlan, CrateRow, PartEnd } from './crate.ts';
export { ACCIDENT_TOLD, SOAK_MIN, TEST_TOLD, bottleDay } from './day.ts';
export type { BottleStep, DayPlan } from './day.ts';
export { planPriming } from './prime.ts';
export type { PrimePlan } from './prime.ts';
export { warmestSinceEnd } from './warmest.ts';
export { sanitizerFor } from './sanitizer.ts';
export { LABEL_GRIDS, LABEL_PADDING_MM, PAPER_MM, layLabel, ownGrid, placeLabels } from './labelSheet.ts';
export type { LabelGrid, LabelLine, LaidLabel, Paper, Placed } from './labelSheet.ts';
