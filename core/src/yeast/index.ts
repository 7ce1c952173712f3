/* Types of yeast, where they stop, what they bear and when, and how they are pitched. */
export { AMMONIUM_CUTOFF_ABV, FIRST_AMMONIUM_H, THIRD_BREAK, TOO_LATE_SHARE, WARM_C_A_DAY } from './breaks.ts';
export { ATTEMPERATION, MUST_TEMP_C, REHYDRATION, SUDDEN_ACID_G_PER_L, attemper, attemperWith, rehydrationOf } from './pitching.ts';
export { ownYeastShape, yeastIdShape } from './shape.ts';
export { DRY_SUGAR_G_PER_L, stopsAt, sugarAtAbv } from './stop.ts';
export { YEAST_TYPES, isYeastId, yeastOf, yeastToPitchG, yeastType } from './types.ts';
export type { NitrogenDemand, OwnYeast, YeastType } from './types.ts';
