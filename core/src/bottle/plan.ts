import { Refusal, requireWithin } from '../quantities/index.ts';
import { countBottles } from './count.ts';

export interface BottlePlan {
  /** Full bottles of each size, in the order given. */
  full: number[];
  bottles: number;
  filledL: number;
  /** Less than the next bottle, or what finds none. */
  remainderMl: number;
}

/** Fills what stands in the crate in the order given, after the loss. @throws Refusal for bottles of nothing, or broken counts */
export function planBottles(volumeL: number, sizes: readonly { sizeMl: number; count: number }[], lossL = 0, lossPct = 0): BottlePlan {
  requireWithin('The loss', lossL, 0, 5000, 'L');
  let leftL = Math.max(0, volumeL * (1 - lossPct / 100) - lossL);
  const wholeMl = leftL * 1000;
  const full = sizes.map(({ sizeMl, count }) => {
    if (!Number.isInteger(count) || count < 0) throw new Refusal('Bottles come whole: a count must be 0 or more.', 'count');
    const fills = Math.min(count, countBottles(leftL, sizeMl).full);
    leftL = Math.max(0, leftL - (fills * sizeMl) / 1000);
    return fills;
  });
  const filledMl = full.reduce((sum, fills, i) => sum + fills * (sizes[i]?.sizeMl ?? 0), 0);
  return {
    full,
    bottles: full.reduce((sum, fills) => sum + fills, 0),
    filledL: filledMl / 1000,
    remainderMl: Math.max(0, wholeMl - filledMl),
  };
}

/** Bottles of one size that hold it all; the last may be a part. */
export function bottlesNeeded(volumeL: number, bottleMl: number, lossL = 0): { full: number; needed: number; partMl: number } {
  const { full, remainderMl } = countBottles(volumeL, bottleMl, lossL);
  const partMl = remainderMl < 0.5 ? 0 : remainderMl;
  return { full, needed: full + (partMl > 0 ? 1 : 0), partMl };
}

/** Cost of one full bottle of what was filled, and of a liter. @param eachCost closure, label, gas of one @throws Refusal for no bottles or costs below nothing */
export function bottleCost(
  batchCost: number,
  bottles: number,
  eachCost = 0,
  bottleMl = 750,
): { perBottle: number; perL: number; total: number } {
  if (!(bottles > 0)) throw new Refusal('No bottle was filled; there is nothing to share the cost among.', 'bottles');
  if (!(batchCost >= 0) || !(eachCost >= 0)) throw new Refusal('A cost cannot be less than nothing.', 'cost');
  const total = batchCost + bottles * eachCost;
  return { perBottle: total / bottles, perL: total / ((bottles * bottleMl) / 1000), total };
}
