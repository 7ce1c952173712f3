/* Bottles: how many, of what sizes, what they cost, what their labels may say; what cleans them. */
export { bottleSizesMl, countBottles } from './count.ts';
export { bottleCost, bottlesNeeded, planBottles } from './plan.ts';
export { labelAbv } from './label.ts';
export type { LabelRule } from './label.ts';
export { sanitizerFor } from './sanitizer.ts';
