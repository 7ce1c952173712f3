export * from './compose.ts';
export * from './plan.ts';
export * from './predict.ts';
export * from './solve.ts';
export * from './verdicts.ts';
export * from './working.ts';
