/* Gas in a mead and the pressure that it makes. */
export { co2FromSugarVolumes, gaugePressureBar, residualCo2Volumes } from './gas.ts';
