import { ledgerAfter, mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { abvPct, gravity, say } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';

/** What water does to a batch, before it is poured; null where it is empty. @param volumeL above 0 @param at ms since 1970 UTC */
export function thinning(ledger: Ledger, volumeL: number, at: number): Sentence | null {
  const [before, after] = [mixedOf(ledger), mixedOf(ledgerAfter(ledger, { kind: 'water', payload: { volumeL } }, at))];
  if (before === null || after === null) return null;
  const sg = say`${gravity(before.sg)} becomes ${gravity(after.sg)}`;
  return before.abv < LEAST_ABV ? sg : [...say`${abvPct(before.abv)} becomes ${abvPct(after.abv)}, `, ...sg];
}
/** Below, there is no strength to speak of, % vol. */
const LEAST_ABV = 0.5;
