import { requireWithin } from '../quantities/index.ts';

/** Bottles makers use, ml. */
export const BOTTLE_SIZES_ML = [750, 500, 375, 330] as const;

export interface BottleCount {
  full: number;
  remainderMl: number;
}

/**
 * Full bottles and what is left over. The guard of 1e-6 of a bottle keeps 0.3 L in 100 ml bottles at three.
 * @param lossPct share lost to lees and hose, 0 to 100; taken before lossL
 */
export function countBottles(volumeL: number, bottleMl: number, lossL = 0, lossPct = 0): BottleCount {
  requireWithin('The bottle', bottleMl, 20, 20_000, 'ml');
  const availableMl = Math.max(0, (volumeL * (1 - lossPct / 100) - lossL) * 1000);
  const full = Math.floor(availableMl / bottleMl + 1e-6);
  return { full, remainderMl: Math.max(0, availableMl - full * bottleMl) };
}
