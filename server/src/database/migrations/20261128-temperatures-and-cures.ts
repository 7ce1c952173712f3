import type { Migration } from '../migration.ts';

/** Wrote into ledgers what they now are folded with; its name stays, so that cellars that have it know it. */
export const temperaturesAndCures: Migration = {
  name: '20261128-temperatures-and-cures',
  up: async () => undefined,
  down: async () => undefined,
};
