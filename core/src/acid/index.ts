/* The pH: how much of a potassium salt raises it. */
export { HIGHEST_PH, baseAsSalt, baseFromPoints, baseFromTrial } from './ph.ts';
export type { BaseDose } from './ph.ts';
export { ACID_G_PER_EQUIVALENT, acidForRiseG, deacidified, deacidifyG, taAs, taRiseGPerL } from './ta.ts';
export type { AcidId, DeacidifierId } from './ta.ts';
