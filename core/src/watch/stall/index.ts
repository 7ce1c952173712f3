export { showsLife, stallEvidence } from './evidence.ts';
export type { StallEvidence } from './evidence.ts';
export { LAG_H } from './limits.ts';
export { LID_LEAKS, firstWasWrong, stallVerdict } from './verdict.ts';
export type { StallKind } from './verdict.ts';
