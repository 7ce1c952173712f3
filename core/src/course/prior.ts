import type { Ranged } from '../quantities/index.ts';
import { RANGE_SD } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L } from '../yeast/index.ts';
import type { Kinetics } from './model.ts';

/**
 * Central values and spreads (as standard deviations of the logarithm) before any reading: our estimates for honey musts. They are wide
 * where musts differ and nobody knows beforehand: how early alcohol slows it, and how slow its last tenth is.
 */
const PRIOR = {
  growthPerH: { center: 0.12, spread: 0.35 },
  uptakePerH: { center: 0.55, spread: 0.5 },
  yeastPerN: { center: 0.013, spread: 0.4 },
  deathPerH: { center: 0.0015, spread: 0.8 },
  lagH: { center: 14, spread: 0.5 },
  slowing: { center: 0.75, spread: 0.4 },
  halfSugar: { center: 12, spread: 0.7 },
  tiringPerH: { center: 0.0012, spread: 1 },
} as const;

/** What yeast leaves of its sugar, as a spread of the logarithm, and what a must may hold beside sugar more or less than its honey’s mean, g/L (our estimates). */
const DRY_SPREAD = 0.6;
const UNFERMENTABLE_SD_G_PER_L = 4;
/** No yeast of this trade gives up below, % vol. */
const LEAST_TOLERANCE_ABV = 4;
/** No more than so many spreads from the middle: what lies beyond is no must. */
const FARTHEST = 4;

/** How many standard normal numbers make a member. */
export const DIMENSIONS = 11;

/** A member of the ensemble from standard normal numbers, one for each thing that nobody knows of this must. */
export function memberOf(z: ArrayLike<number>, tolerance: Ranged): Kinetics {
  const at = (i: number): number => Math.max(-FARTHEST, Math.min(FARTHEST, z[i] ?? 0));
  const value = (name: keyof typeof PRIOR, i: number): number => PRIOR[name].center * Math.exp(PRIOR[name].spread * at(i));
  return {
    growthPerH: value('growthPerH', 0),
    uptakePerH: value('uptakePerH', 1),
    yeastPerN: value('yeastPerN', 2),
    deathPerH: value('deathPerH', 3),
    lagH: value('lagH', 4),
    slowing: value('slowing', 5),
    halfSugar: value('halfSugar', 6),
    tiringPerH: value('tiringPerH', 7),
    dryGPerL: DRY_SUGAR_G_PER_L.value * Math.exp(DRY_SPREAD * at(8)) + UNFERMENTABLE_SD_G_PER_L * at(9),
    toleranceAbv: Math.max(LEAST_TOLERANCE_ABV, tolerance.value + ((tolerance.high - tolerance.low) / (2 * RANGE_SD)) * at(10)),
  };
}
