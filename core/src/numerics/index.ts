export * from './root.ts';
export * from './table.ts';
