export * from './gates.ts';
export * from './plan.ts';
export * from './working.ts';
