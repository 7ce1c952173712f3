/* From the first racking to bright and round: when to rack and into what, how clear, how much gas, what fines, how long to rest. */
export { RACK_SCHOOLS, rackSchoolTold } from './schools.ts';
export type { RackSchool } from './schools.ts';
export { RACKING_OXYGEN_MG_PER_L, rackAdvice, rackingsAhead } from './racking.ts';
export { MUCH_AIR_MM, closeGap, standsInto, waysInto } from './into.ts';
export type { RackInto } from './into.ts';
export { FININGS, finedUntil, finingG, trialGlasses } from './finings.ts';
export type { FiningTold } from './finings.ts';
export { clearBy, clearingAdvice } from './sight.ts';
export { STIR_DRILL, gasBeforeFining, gasLeft } from './gas.ts';
export { restMonths, tasteNext } from './age.ts';
