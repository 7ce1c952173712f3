/* What a must or mead is made of, by mass: one struct, one pour, one fermentation. */
export { afterSugar, fermentSugar, liquidOf, noMasses, pour } from './masses.ts';
export type { Masses, Yields } from './masses.ts';
