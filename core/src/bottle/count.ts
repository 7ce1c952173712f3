import { requireWithin } from '../quantities/index.ts';

/** Bottles makers use, ml. */
export const BOTTLE_SIZES_ML = [750, 500, 375, 330] as const;

const FULL_WITHIN_ML = 0.5;

export interface BottleCount {
  full: number;
  remainderMl: number;
}

/**
 * Full bottles and what is left over. A bottle short of half a milliliter counts as full: nobody
 * measures that, and it keeps 0.3 L in 100 ml bottles at three.
 * @param lossPct share lost to lees and hose, 0 to 100; taken before lossL
 */
export function countBottles(volumeL: number, bottleMl: number, lossL = 0, lossPct = 0): BottleCount {
  requireWithin('The bottle', bottleMl, 20, 20_000, 'ml');
  const availableMl = Math.max(0, (volumeL * (1 - lossPct / 100) - lossL) * 1000);
  const full = Math.floor((availableMl + FULL_WITHIN_ML) / bottleMl);
  return { full, remainderMl: Math.max(0, availableMl - full * bottleMl) };
}
