export { normal, seeded } from './random.ts';
export type { Rng } from './random.ts';
export { findRoot } from './root.ts';
export { solveSystem } from './system.ts';
export { tabulate } from './table.ts';
