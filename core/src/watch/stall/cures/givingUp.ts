import { say } from '../../../quantities/index.ts';
import { SORBIC_STOPS_MG_PER_L } from '../limits.ts';
import type { StallEvidence } from '../evidence.ts';
import { cureOf } from './cure.ts';
import type { Cure } from './cure.ts';

/** A must this weak does not keep by its alcohol, % vol (our estimate). */
const KEEPS_ABV = 8;

/** Sulfite or sorbate in it: nothing that lives can be helped. */
export function givingUp({ abv, sorbicMgPerL }: StallEvidence): Cure {
  const safe =
    abv >= KEEPS_ABV
      ? say`It is strong enough to keep cold and closed with a lock, and may be blended into a mead that ferments, a tenth at a time.`
      : say`It is too weak to keep: blend it, a tenth at a time, into a must that ferments well, or give it up. Do not bottle it.`;
  const why =
    sorbicMgPerL > SORBIC_STOPS_MG_PER_L
      ? say`No yeast grows in this much sorbic acid; a restart would fail too. `
      : say`What keeps it from spoiling keeps yeast out too. `;
  return cureOf('give up', [...why, ...safe]);
}
