import { mixedOf, nutrientOf } from '../record/index.ts';
import type { Ledger, Payloads } from '../record/index.ts';
import { HOUR_MS } from '../quantities/index.ts';
import { isComing } from './doseNow.ts';
import { productName } from '../nitrogen/index.ts';
import { feedingNow } from './progress.ts';
import type { FeedingPlan } from './schedule.ts';

/** What is given within so many hours of a dose belongs to it, until it is full (our estimate of one session at the vessel). */
export const TOGETHER_H = 6;
/** A part counts as given from this share of its grams. */
const FULL_SHARE = 0.9;

/**
 * To which dose of the plan something belongs that is given now: to one that was begun within some hours and is not full, or to the
 * next. Undefined where none is to come.
 *
 * @param at when it is given, ms since 1970 UTC
 */
export function doseFor(plan: FeedingPlan, ledger: Ledger, given: Payloads['nutrient'], at: number): number | undefined {
  const begun = ledger.history.doses.findLast((dose) => dose.dose !== null && Math.abs(at - dose.at) <= TOGETHER_H * HOUR_MS);
  const planned = plan.doses.find(({ number }) => number === begun?.dose);
  if (planned !== undefined && !isFull(planned, ledger, nutrientOf(given).name)) return planned.number;
  return feedingNow(plan, ledger, at).doses.find(isComing)?.dose.number;
}

/** Whether nothing more of this belongs to the dose: its own part is given, or, where it has none, every part is. */
function isFull({ number, parts }: FeedingPlan['doses'][number], ledger: Ledger, name: string): boolean {
  const volumeL = mixedOf(ledger)?.volumeL ?? 0;
  const isGiven = (of: string, gPerL: number): boolean =>
    ledger.history.doses.filter((dose) => dose.dose === number && dose.name === of).reduce((sum, { massG }) => sum + massG, 0) >=
    FULL_SHARE * gPerL * volumeL;
  const own = parts.find(({ product }) => productName(product) === name);
  return own === undefined ? parts.every(({ product, gPerL }) => isGiven(productName(product), gPerL)) : isGiven(name, own.gPerL);
}
