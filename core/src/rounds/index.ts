/* What a vessel asks for, one file each under asks/, how pressing it is, and where the work stands. */
export { DEGAS_PER_DAY, STATIONS, USUALLY_PER_DAY } from './ask.ts';
export type { Ask, Bell, Station } from './ask.ts';
export { doseTold } from './asks/dose.ts';
export { DISCARD } from './asks/discard.ts';
export { sulfiteWaitEnds } from './asks/pitch.ts';
export { asksOf, stationOf, unreckonedAsk } from './asksOf.ts';
export { calendarOf } from './calendar.ts';
export type { CalendarEntry } from './calendar.ts';
export { knotsOf } from './knots.ts';
export type { Knot } from './knots.ts';
export { byUrgency } from './urgency.ts';
