export { checkEvent, checkEvents } from './check.ts';
export { FEW_LIVE_BELOW_PH, SPOILS_ABOVE_PH, entryDoubts } from './doubts.ts';
export type { HouseRules } from './doubts.ts';
