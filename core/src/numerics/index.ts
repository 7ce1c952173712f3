/* Roots of one and of several unknowns, fixed points, tables of smooth functions, seeded draws; each says whether it settled. */
export { fixedPoint, settled } from './iterate.ts';
export { normal, seeded, shuffled } from './random.ts';
export type { Rng } from './random.ts';
export { backwardSolve, cholesky, forwardSolve } from './gauss.ts';
export { findRoot } from './root.ts';
export { solveSystem } from './system.ts';
export { tabulate } from './table.ts';
