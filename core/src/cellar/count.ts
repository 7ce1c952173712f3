import type { Ledger } from '../record/index.ts';
import { LITERS_PER } from '../quantities/index.ts';

/** Bottles that were filled, and liters in them. */
export function bottlesIn({ history: { bottled } }: Ledger): { bottles: number; liters: number } {
  const all = bottled?.bottles ?? [];
  return {
    bottles: all.reduce((sum, { count }) => sum + count, 0),
    liters: all.reduce((sum, { count, sizeMl }) => sum + (count * sizeMl) / 1000, 0),
  };
}

/** What a household may make in a year, L, where it is one figure for all: 27 CFR 24.75, 100 US gallons for one adult, 200 for more. */
export const YEAR_LIMIT_L = { one: 100 * LITERS_PER.us_gal, household: 200 * LITERS_PER.us_gal } as const;

/** Liters that were bottled within a time, and what they cost. @param from,to ms since 1970 UTC, `to` not within it */
export function madeIn(
  shelves: readonly { shelf: { bottledAt: number; filledL: number }; cost: { total: number } | null }[],
  from: number,
  to: number,
): { liters: number; cost: number } {
  const within = shelves.filter(({ shelf }) => shelf.bottledAt >= from && shelf.bottledAt < to);
  return {
    liters: within.reduce((sum, { shelf }) => sum + shelf.filledL, 0),
    cost: within.reduce((sum, { cost }) => sum + (cost?.total ?? 0), 0),
  };
}
