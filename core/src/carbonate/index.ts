export { co2FromSugarVolumes, gaugePressureBar, residualCo2Volumes } from './gas.ts';
