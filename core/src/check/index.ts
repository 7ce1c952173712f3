/* Whether an event can have happened, and what a careful friend would ask first. */
export { answered } from './bubbles.ts';
export { checkEvent, checkEvents } from './check.ts';
export { entryDoubts } from './doubts.ts';
export type { HouseRules } from './doubts.ts';
export { thinning } from './thinning.ts';
