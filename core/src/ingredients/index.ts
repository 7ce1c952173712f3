export * from './composition.ts';
export * from './honey.ts';
export * from './table.ts';
export { compositionShape, familyShape, styleMarkShape, traitsShape } from './shape.ts';
