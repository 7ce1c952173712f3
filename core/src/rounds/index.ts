export * from './asks.ts';
export * from './calendar.ts';
