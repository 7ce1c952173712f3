/* The pH: how much of a potassium salt raises it. */
export { HIGHEST_PH, baseAsSalt, baseFromPoints, baseFromTrial } from './ph.ts';
export type { BaseDose } from './ph.ts';
