import { feedingPracticeOf } from '@hollow-bell/contract';
import type { BatchSummary } from '@hollow-bell/contract';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { Refusal } from '@hollow-bell/core/quantities';
import { calendarOf } from '@hollow-bell/core/rounds';
import type { Dated } from '@hollow-bell/tell/calendar';

/** Everything of a batch that has a date. One that cannot be reckoned has none; it costs no other one. */
export function datedOf({ id, name, ledger, plan }: BatchSummary, now: number): Dated {
  try {
    return { id, name, entries: calendarOf(ledger, feedingPlanOf(ledger, feedingPracticeOf(plan)), now, plan.practice) };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { id, name, entries: [] };
  }
}
