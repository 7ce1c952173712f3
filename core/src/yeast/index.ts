export * from './stop.ts';
export * from './types.ts';
