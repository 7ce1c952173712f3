import { seeded } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';

/** Seeds that lie beside each other begin with draws that do, too; after so many they part. */
const PART_AFTER = 24;

/** Draws of a seed that have nothing to do with those of the next one. */
export function drawsOf(seed: number): Rng {
  const rng = seeded(seed);
  for (let i = 0; i < PART_AFTER; i++) rng();
  return rng;
}
