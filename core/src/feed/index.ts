export * from './bars.ts';
export * from './compare.ts';
export * from './need.ts';
export * from './products.ts';
export * from './progress.ts';
export * from './schedule.ts';
export * from './schools.ts';
export * from './working.ts';
