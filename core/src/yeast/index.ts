export * from './pitching.ts';
export * from './stop.ts';
export * from './types.ts';
export { ownYeastShape, yeastIdShape } from './shape.ts';
