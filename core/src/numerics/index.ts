export * from './random.ts';
export * from './root.ts';
export * from './system.ts';
export * from './table.ts';
