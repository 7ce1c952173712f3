export { checkEvent, checkEvents } from './check.ts';
export { entryDoubts } from './doubts.ts';
export type { HouseRules } from './doubts.ts';
