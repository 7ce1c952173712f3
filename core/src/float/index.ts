export { settleFloat, withFloat } from './settle.ts';
export type { FloatFault, FloatPoint } from './settle.ts';
