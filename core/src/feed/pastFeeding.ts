import { mixedOf, shareGone } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { AMMONIUM_CUTOFF_ABV, TOO_LATE_SHARE } from '../yeast/index.ts';
import { DAY_MS } from '../quantities/index.ts';

/** So long after the pitch nothing fed is of use, whatever was read since (our estimate). */
export const FEEDING_ENDS_DAYS = 14;

/** Whether feeding is over: half the sugar gone, racked, as strong as ammonium is hardly taken up, or two weeks on. */
export function isPastFeeding(ledger: Ledger, pitchedAt: number, now: number): boolean {
  return (
    shareGone(ledger) >= TOO_LATE_SHARE ||
    (ledger.history.rackedAt !== null && ledger.history.rackedAt > pitchedAt) ||
    (mixedOf(ledger)?.abv ?? 0) >= AMMONIUM_CUTOFF_ABV ||
    now - pitchedAt > FEEDING_ENDS_DAYS * DAY_MS
  );
}
