/* Honey by target, in the glass and in the batch. */
export { honeyToReachG, scaleFromGlassG, sugarRange, sweeten, whatItWouldBecome } from './sweeten.ts';
export type { SweetTarget, Sweetened, SweeteningHoney } from './sweeten.ts';
export { sweetenWorking } from './working.ts';
