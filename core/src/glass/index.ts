/* Closed glass: one judgement, asked by every page, the dip line, the calendar and the server. Its numbers stand in `limits.ts`. */
export { fellInBottles, glassAlarm, isOpen } from './alarm.ts';
export { endWorking, expectedEnd } from './end.ts';
export { finishOf } from './finish.ts';
export type { Finish } from './finish.ts';
export { bubblingOf, wantsFreshYeast, whyBarred, whyNoGas, whyNotPrime } from './gas.ts';
export { judge, judgeBottling, whyShut } from './judge.ts';
export type { Judgement } from './judge.ts';
export type { GlassPlan } from './plan.ts';
export { EQUAL_SG, GUARD_WAIT_H, STILL } from './limits.ts';
export { fellUnderGuard } from './still.ts';
export type { Way } from './ways.ts';
