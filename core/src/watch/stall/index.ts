export { isQuiet, showsLife, stallEvidence } from './evidence.ts';
export { LAG_H } from './limits.ts';
export { LID_LEAKS, stallVerdict } from './verdict.ts';
export type { StallKind } from './verdict.ts';
