/* What becomes of a must if something is done, and the fan of its gravities. */
export { WARMER_C, askWhatIf, gravityAlong, gravityFan } from './whatIf.ts';
export type { FanPoint, WhatIf } from './whatIf.ts';
