export { BOTTLE_SIZES_ML, countBottles } from './count.ts';
