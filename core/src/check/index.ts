/* Whether an event can have happened, whether closed glass may stand, and what a careful friend would ask first. */
export { checkEvent, checkEvents } from './check.ts';
export { entryDoubts } from './doubts.ts';
export type { HouseRules } from './doubts.ts';
export { thinning } from './thinning.ts';
