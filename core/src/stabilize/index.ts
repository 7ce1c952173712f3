export { firstShutGate, gatesOf } from './gates.ts';
export type { Gate } from './gates.ts';
export { freeSo2There, planStabilizing } from './plan.ts';
export { sorbateWorking, stabilizeWorking } from './working.ts';
