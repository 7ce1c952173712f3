/* Sulfite and sorbate: what a dose is, what it guards, for how long it waits. */
export {
  BOUND_SHARE,
  HIGHEST_PH_FOR_SULFITE,
  MOLECULAR_TARGET,
  MUST_SULFITE_WAIT_H,
  SO2_HALF_LIFE_DAYS,
  SO2_IN,
  SULFITE_PK,
  SULFITE_SALTS,
  TOTAL_SO2_CAP,
  USUAL_TABLET_G,
  daysUntilFaded,
  dilutedStock,
  fadedSo2MgPerL,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  molecularSo2MgPerL,
  so2ToAddMgPerL,
  stockMl,
  sulfitePk,
  sulfiteTablets,
  withinPhOfMead,
} from './sulfite.ts';
export type { SulfiteSalt } from './sulfite.ts';
export { SORBIC_IN_SORBATE, potassiumSorbateG, sorbateDose, sorbicMgPerL, sorbicNeededMgPerL, sorbicSolubilityMgPerL } from './sorbate.ts';
