/* The gates before honey, and the doses that open them. */
export { firstShutGate, gatesOf } from './gates.ts';
export type { Gate } from './gates.ts';
export { freeSo2There, planStabilizing } from './plan.ts';
export { sorbateWorking, stabilizeWorking } from './working.ts';
