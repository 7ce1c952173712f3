/* How fast a must goes. */
export { USUAL_BREAK_H, USUAL_TEMP_C, expectedAt, expectedShare, hourAtShare, paceOf, shareAtHour, usualBreakH } from './pace.ts';
export type { Pace } from './pace.ts';
