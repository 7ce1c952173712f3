import { DRY_SUGAR_G_PER_L } from '../yeast/index.ts';
import type { Folding } from './ledger.ts';
import { mixedOf } from './view.ts';

/** Malts differ in what yeast leaves of them; up to this share of what one brought as sugar may prove none (our estimate). */
const MALT_MAY_LEAVE = 0.35;

/**
 * Where a mead with malt is said to rest, the sugar that malt may have left was none for the yeast: it moves to the unfermentable
 * extract, gram for gram. Honey's sugar stays sugar, whoever says what.
 */
export function settleStay(ledger: Folding): void {
  const volumeL = mixedOf(ledger)?.volumeL ?? 0;
  const maltG = ledger.history.pours.filter(({ family }) => family === 'malt').reduce((sum, { sugarG }) => sum + sugarG, 0);
  const movedG = Math.max(0, Math.min(MALT_MAY_LEAVE * maltG, ledger.liquid.sugarG - DRY_SUGAR_G_PER_L.value * volumeL));
  ledger.liquid.sugarG -= movedG;
  ledger.liquid.sugarBasisG -= movedG;
  ledger.liquid.unfermentableG += movedG;
}
