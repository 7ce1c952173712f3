import { gasFan, holdsOf, ratingOf } from '../carbonate/index.ts';
import type { Bubbling, Holds } from '../carbonate/index.ts';
import type { BottleRow } from '../record/index.ts';
import { Refusal, bottleMl, say, volumeL as liters } from '../quantities/index.ts';
import type { Immutable, Sentence } from '../quantities/index.ts';
import { whyBarred } from '../glass/index.ts';
import { planBottles } from './plan.ts';

/** Two measures of a full vessel differ by this share at most (our estimate). */
const BRIM_SLACK = 0.03;

/**
 * Whether a volume can have been measured in what it stands in.
 *
 * @param capacityL of all its vessels to the brim; 0 where nobody knows
 * @throws Refusal for more than they hold
 */
export function checkMeasured(volumeL: number, capacityL: number): void {
  if (capacityL > 0 && volumeL > capacityL * (1 + BRIM_SLACK))
    throw new Refusal(say`${liters(volumeL)} are more than it stands in holds, ${liters(capacityL)}: measure it again.`, 'volumeL');
}

/** Bottles of one kind that stand ready. */
export interface CrateRow extends Immutable<Omit<BottleRow, 'count'>> {
  have: number;
  /** How many the maker wants of them; null for as many as fit. */
  wanted: number | null;
}

interface FilledRow<R extends CrateRow> {
  row: R;
  count: number;
  holds: Holds;
  /** Why none of them may be filled; null where they may. */
  barred: Sentence | null;
  /** Volumes that it bears; null where nobody said, or no gas is asked for. */
  rating: number | null;
}

export interface CratePlan<R extends CrateRow = CrateRow> {
  rows: FilledRow<R>[];
  bottles: number;
  filledL: number;
  /** Less than the next bottle, or what finds none, ml. */
  overMl: number;
  /** More wanted than there is mead, L; 0 where it does. */
  shortL: number;
}

/**
 * Fills the bottles that stand ready: first those of which the maker said how many, then as many as fit, in their order. Kinds that
 * do not bear the gas stay empty.
 *
 * @param fillL what is to be filled, the loss in hose and dregs taken off
 * @param bubbling null for still mead
 * @param gasIn the gas of a kind, where it differs from the plan’s: pieces of sugar make more in a small bottle
 * @throws Refusal for a count that is not there
 */
export function planCrate<R extends CrateRow>(
  fillL: number,
  rows: readonly R[],
  bubbling: Bubbling | null,
  isAgain: boolean,
  gasIn: (row: R) => number = () => bubbling?.volumes ?? 0,
): CratePlan<R> {
  const judged = rows.map((row) => {
    if (bubbling === null) return { row, holds: 'holds' as const, barred: null, rating: null };
    const own = { ...bubbling, volumes: gasIn(row) };
    const fan = gasFan(own);
    return { row, holds: holdsOf(row, fan), barred: whyBarred({ ...row, count: row.have }, fan, own, isAgain), rating: ratingOf(row) };
  });
  for (const { row, barred } of judged)
    if (barred === null && row.wanted !== null && row.wanted > row.have)
      throw new Refusal(say`Of ${bottleMl(row.sizeMl)} there are ${String(row.have)}; ${String(row.wanted)} cannot be filled.`, 'count');
  const given = judged.map(({ row, barred }) => (barred === null ? (row.wanted ?? 0) : 0));
  const givenL = given.reduce((sum, count, i) => sum + (count * (rows[i]?.sizeMl ?? 0)) / 1000, 0);
  const free = judged.map(({ row, barred }) => ({ sizeMl: row.sizeMl, count: barred === null && row.wanted === null ? row.have : 0 }));
  const rest = planBottles(Math.max(0, fillL - givenL), free);
  const filled = judged.map((each, i) => ({ ...each, count: (given[i] ?? 0) + (rest.full[i] ?? 0) }));
  const filledL = givenL + rest.filledL;
  return {
    rows: filled,
    bottles: filled.reduce((sum, { count }) => sum + count, 0),
    filledL,
    overMl: Math.max(0, 1000 * (fillL - filledL)),
    shortL: Math.max(0, filledL - fillL - FILLS_WITHIN_L),
  };
}
/** Nobody measures finer. */
const FILLS_WITHIN_L = 0.005;

/** What may become of the part bottle at the end. */
export type PartEnd = 'drunk' | 'small' | 'topped' | 'stays';

/** What is said of a crate that is planned. */
export function crateTold({ bottles, overMl, filledL }: CratePlan): Sentence {
  if (bottles === 0) return say`No bottle is chosen yet.`;
  return say`${String(bottles)} ${bottles === 1 ? 'bottle takes' : 'bottles take'} ${liters(filledL)}; ${liters(overMl / 1000)} ${overMl < 5 ? 'is left' : 'stay over'}.`;
}
