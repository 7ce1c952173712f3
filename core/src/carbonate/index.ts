/* Gas in a mead and the pressure that it makes; what primes it. */
export {
  CO2_G_PER_VOLUME,
  bottlePressureBar,
  co2FromSugarVolumes,
  co2SolubilityVolumes,
  gaugePressureBar,
  ifItFerments,
  kegPressureBar,
  kegVolumes,
  residualCo2Volumes,
  volumesFromPoints,
} from './gas.ts';
export { CLOSURES_OF, CONTAINERS, containerOf, ratingOf } from './containers.ts';
export { gasFan, holdsOf, mostVolumesFor } from './fan.ts';
export type { Bubbling, GasFan, Holds, SlipId } from './fan.ts';
export { gasOf, isPrimed, pressureIn, volumesIn } from './inGlass.ts';
export { CARBONATES_FROM_C, FORCE_WAYS, MIX_WITHIN_H, carbonateDays, forceTable, psiOf } from './keg.ts';
export { primingDose, primingSugarOf, primingWorst, volumesFromPieces, volumesMade, volumesReached } from './priming.ts';
export type { PrimingSugar } from './priming.ts';
export { GAS_STYLES, gasStyleOf } from './styles.ts';
