/* A floating hydrometer’s many readings, put together for the fold, its faults told. */
export { settleFloat, withFloat } from './settle.ts';
export type { FloatFault, FloatPoint } from './settle.ts';
