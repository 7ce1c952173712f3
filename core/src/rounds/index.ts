export { STATIONS } from './ask.ts';
export type { Ask, Bell, Station } from './ask.ts';
export * from './asks.ts';
export * from './calendar.ts';
export { DISCARD } from './careAsks.ts';
export { knotsOf } from './knots.ts';
export type { Knot } from './knots.ts';
