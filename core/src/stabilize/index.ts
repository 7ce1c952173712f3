/* How a mead is kept from new life: the schools, their gates, and what they take. */
export { firstShutGate, gatesOf } from './gates.ts';
export type { Gate, GateState } from './gates.ts';
export { CORE_BEHIND_C, MOST_BATH_C, heatingNow, lagSeen, planHeating, whyNotHeat } from './heating.ts';
export type { HeatPlan, HeatingNow } from './heating.ts';
export { phKnown } from './phKnown.ts';
export type { PhBy } from './phKnown.ts';
export { freeSo2There, planStabilizing } from './plan.ts';
export { protectionOf } from './protection.ts';
export type { Protection } from './protection.ts';
export { STABILIZE_SCHOOLS, USUAL_SCHOOL, bearsHoney } from './schools.ts';
export { SCHOOLS_TOLD } from './schoolsTold.ts';
export type { StabilizeSchool } from './schools.ts';
export { sorbateWorking, stabilizeWorking } from './working.ts';
