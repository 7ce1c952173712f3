/* Sulfite and sorbate: what a dose is, what it guards, for how long it waits. */
export {
  BOUND_SHARE,
  HIGHEST_PH_FOR_SULFITE,
  MOLECULAR_TARGET,
  MUST_SULFITE_WAIT_H,
  SO2_IN,
  SULFITE_SALTS,
  TOTAL_SO2_CAP,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  molecularSo2MgPerL,
} from './sulfite.ts';
export type { SulfiteSalt } from './sulfite.ts';
export { SORBIC_CAP, SORBIC_IN_SORBATE, potassiumSorbateG, sorbicMgPerL, sorbicNeededMgPerL } from './sorbate.ts';
