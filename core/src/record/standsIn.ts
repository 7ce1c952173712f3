import { filledNow } from '../vessel/index.ts';
import type { Filled, Vessel } from '../vessel/index.ts';
import type { Ledger } from './ledger.ts';
import { mixedOf } from './view.ts';

/** The vessels that a batch stands in and what is in each; none where there is nothing. @param planned where no other was written down */
export function standsIn(ledger: Ledger, planned: Vessel): Filled[] {
  const presentL = mixedOf(ledger)?.volumeL ?? 0;
  if (presentL === 0) return [];
  const { vessels } = ledger.history;
  return vessels.length === 0 ? [{ vessel: planned, volumeL: presentL, isCompanion: false }] : filledNow(vessels, presentL);
}
