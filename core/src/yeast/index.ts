export * from './pitching.ts';
export * from './stop.ts';
export * from './types.ts';
