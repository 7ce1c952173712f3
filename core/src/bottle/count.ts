import { LITERS_PER, requireWithin } from '../quantities/index.ts';
import type { UnitSystem } from '../quantities/index.ts';

/** To the tenth of a milliliter: nobody fills finer. */
const FL_OZ_ML = Math.round(LITERS_PER.us_floz * 10_000) / 10;

/** Bottles that makers use, ml; in the States beer comes in 12 and 22 fl oz. */
const SIZES_ML: Record<UnitSystem, readonly number[]> = {
  metric: [750, 500, 375, 330],
  us: [750, 22 * FL_OZ_ML, 375, 12 * FL_OZ_ML],
  uk: [750, 500, 375, 330],
};
/** The bottles at hand in a house, ml, the largest first. */
export const bottleSizesMl = (units: UnitSystem): readonly number[] => SIZES_ML[units];

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
