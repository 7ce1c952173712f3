/* What was bottled, counted by size. */
export { BOTTLE_SIZES_ML, countBottles } from './count.ts';
