import { findRoot } from '../numerics/index.ts';
import { ratingOf } from './containers.ts';
import { primingWorst } from './priming.ts';
import type { PrimingSlips } from './priming.ts';
import type { BottleRow } from '../record/index.ts';

/** What a bottling is planned on. */
export interface Bubbling {
  volumes: number;
  volumeL: number;
  warmestC: number;
  /** Of the mead without its priming sugar. */
  sg: number;
  abv: number;
  /** Points that it may still fall by itself; at least one is reckoned with. */
  mayFallPoints: number;
}

export type SlipId = 'short' | 'point' | 'colder' | 'spoon';
/**
 * One slip each: a tenth less mead than was measured, a point that still ferments, five degrees colder than was thought, so that more gas
 * stayed in, and a spoon heaped by a tenth (a point and the tenth are makers' rule; the other two our estimates).
 */
const SLIP = { volumeShort: 0.1, pointsLeft: 1, colderC: 5, doseOver: 0.1 } as const;
const NO_SLIP: PrimingSlips = { volumeShort: 0, doseOver: 0, pointsLeft: 0 };
const COLDEST_C = 0;

const slipsOf = ({ warmestC, mayFallPoints }: Bubbling): Record<SlipId, Partial<PrimingSlips>> => ({
  short: { volumeShort: SLIP.volumeShort },
  point: { pointsLeft: Math.max(SLIP.pointsLeft, mayFallPoints) },
  colder: { trueWarmestC: Math.max(COLDEST_C, warmestC - SLIP.colderC) },
  spoon: { doseOver: SLIP.doseOver },
});

export interface GasFan {
  planned: number;
  slips: Record<SlipId, number>;
  /** Where one of them comes true, and where the two worst do. */
  one: number;
  two: number;
}

/** Volumes that a bottling comes to as planned, with each slip, and at the ends of its fan. @throws Refusal outside of what gas.ts takes */
export function gasFan(plan: Bubbling): GasFan {
  const reach = (...slips: Partial<PrimingSlips>[]): number => primingWorst(plan, Object.assign({}, NO_SLIP, ...slips) as PrimingSlips);
  const each = slipsOf(plan);
  const ids = Object.keys(each) as SlipId[];
  const slips = Object.fromEntries(ids.map((id) => [id, reach(each[id])])) as Record<SlipId, number>;
  const pairs = ids.flatMap((a, i) => ids.slice(i + 1).map((b) => reach(each[a], each[b])));
  return { planned: plan.volumes, slips, one: Math.max(...Object.values(slips)), two: Math.max(...pairs) };
}

/** `again`: with two slips it would be too much, so that the volume is to be measured a second time first. */
export type Holds = 'holds' | 'again' | 'barred' | 'unknown';

/** Whether a bottle bears a fan as it is closed. */
export function holdsOf(row: Pick<BottleRow, 'kind' | 'closure' | 'ratedVolumes'>, fan: GasFan): Holds {
  const rating = ratingOf(row);
  if (rating === null) return 'unknown';
  if (fan.one > rating + 1e-9) return 'barred';
  return fan.two > rating + 1e-9 ? 'again' : 'holds';
}

/** The most gas at which a rating bears its fan's end with one slip, volumes; null where none does. */
export function mostVolumesFor(rating: number, plan: Omit<Bubbling, 'volumes'>): number | null {
  const over = (volumes: number): number => gasFan({ ...plan, volumes }).one - rating;
  if (over(0) >= 0) return null;
  return over(MOST_VOLUMES) <= 0 ? MOST_VOLUMES : findRoot(over, 0, MOST_VOLUMES, 1e-4).x;
}
const MOST_VOLUMES = 8;
