/* The chalk floor: musts that ferment in minutes by a law of their own, to learn on and to rehearse. */
export { AMOUNTS, DEEDS, deedsAsText, deedsFromText } from './deeds.ts';
export type { Deed, DeedKind } from './deeds.ts';
export { changesOf, rehearsedOf } from './fromPlan.ts';
export type { PlanChange } from './fromPlan.ts';
export { DRILL_ENDS_AT_H, LESSONS, drillOf } from './lessons.ts';
export { DRAGS_DAYS, rehearse } from './rehearse.ts';
export type { Rehearsal, Rehearsed } from './rehearse.ts';
export { CHALK_START, runScene } from './run.ts';
export type { Found, Run } from './run.ts';
export type { Scene } from './scene.ts';
export type { Senses } from './senses.ts';
export { DEPTHS, TROUBLES } from './troubles.ts';
export type { Depth, TroubleId } from './troubles.ts';
export { judgeRun } from './verdict.ts';
export type { Verdict } from './verdict.ts';
