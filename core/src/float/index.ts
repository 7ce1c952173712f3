/* A floating hydrometer’s many readings, and a heating probe’s, put together for the fold, their faults told. */
export { settleProbe, withSent } from './probe.ts';
export type { ProbePoint, Sent } from './probe.ts';
export { settleFloat, withFloat } from './settle.ts';
export type { FloatFault, FloatPoint } from './settle.ts';
