/* What was bottled, counted by size. */
export { bottleSizesMl, countBottles } from './count.ts';
