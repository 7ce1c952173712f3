import { Refusal } from '../quantities/index.ts';
import type { Filled } from './standing.ts';

export interface Fill {
  fillL: number;
  /** Negative when it does not fit. */
  headspaceL: number;
  headspacePct: number;
  overflowL: number;
}

/**
 * How full a vessel is. Whole fruit displaces its mass over its density.
 * @param fruitKgPerL 0.95 to 1.05 for whole fruit without air gaps
 */
export function fillOf(capacityL: number, mustL: number, fruitKg = 0, fruitKgPerL = 1): Fill {
  if (!(capacityL > 0)) throw new Refusal('The vessel must hold more than nothing.', 'capacityL');
  const fillL = mustL + fruitKg / fruitKgPerL;
  const headspaceL = capacityL - fillL;
  return { fillL, headspaceL, headspacePct: (100 * headspaceL) / capacityL, overflowL: Math.max(0, -headspaceL) };
}

/**
 * How full vessels together get when a batch in them comes to so much; a companion takes none of what is stirred in.
 * @param presentL of the whole batch, companions with it
 */
export function fillAcross(filled: readonly Filled[], presentL: number): Fill {
  const stirred = filled.filter(({ isCompanion }) => !isCompanion);
  const keptL = filled.reduce((sum, { isCompanion, volumeL }) => sum + (isCompanion ? volumeL : 0), 0);
  return fillOf(
    stirred.reduce((sum, { vessel }) => sum + vessel.capacityL, 0),
    presentL - keptL,
  );
}

/** The smallest vessel that holds so many liters, for a full one keeps air out; the largest where none holds it, undefined of none. */
export function smallestHolding<V extends { capacityL: number }>(vessels: readonly V[], volumeL: number): V | undefined {
  const bySize = vessels.toSorted((a, b) => a.capacityL - b.capacityL);
  return bySize.find(({ capacityL }) => capacityL >= volumeL) ?? bySize.at(-1);
}
