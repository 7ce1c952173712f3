export * from './bars.ts';
export * from './need.ts';
export * from './progress.ts';
export * from './schedule.ts';
export * from './working.ts';
