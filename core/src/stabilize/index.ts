export * from './gates.ts';
export * from './plan.ts';
export * from './sorbate.ts';
export * from './sulfite.ts';
export * from './working.ts';
