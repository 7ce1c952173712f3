/* What is bottled, over time: when to drink it, at what pace it goes, what it cost, batch beside batch. */
export { compareBatches, curveOf } from './compare.ts';
export type { Compared } from './compare.ts';
export { costOfBottled } from './cost.ts';
export type { BottledCost, Prices } from './cost.ts';
export { YEAR_LIMIT_L, madeIn } from './count.ts';
export { SOON_DAYS, byDrinking, ripenessOf, shelfOf } from './shelf.ts';
export type { CellarShelf, Ripeness } from './shelf.ts';
export { firstOutBy, isCellared, windowOf } from './window.ts';
export type { StandingBottle } from './pace.ts';
