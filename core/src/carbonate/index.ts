/* Gas in a mead and the pressure that it makes; what primes it. */
export {
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
export { primingDose, primingWorst, volumesFromPieces, volumesReached } from './priming.ts';
export type { PrimingSugar } from './priming.ts';
