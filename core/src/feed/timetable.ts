import type { Ledger } from '../record/index.ts';
import type { DoseState } from './doseNow.ts';
import { expectedAt } from '../course/index.ts';
import type { Course } from '../course/index.ts';
import { courseOf } from './ahead.ts';
import { isPastFeeding } from './pastFeeding.ts';
import type { FeedingPlan, PlannedDose } from './schedule.ts';
import { FIRST_AMMONIUM_H, THIRD_BREAK } from '../yeast/index.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** Doses by the sugar are not looked for sooner after one another (our estimate). */
const BETWEEN_DOSES_H = 12;

/** By the clock and by the sugar: when each dose is due, and whether it comes. */
export interface Timetable {
  /** When a third of the sugar was first seen gone. */
  breakAt: number | null;
  course: Course | null;
  clockAt: (dose: PlannedDose) => number;
  dueAt: (dose: PlannedDose) => number;
  soonestAt: (dose: PlannedDose) => number;
  stateOf: (dose: PlannedDose) => DoseState;
}

/** When this share of the sugar was first seen gone, or null. */
export function shareSeenAt(ledger: Ledger, share: number): number | null {
  return ledger.history.readings.find((reading) => reading.verdict === 'follows' && reading.shareGone >= share)?.at ?? null;
}

/** Which doses are due, ahead, missed or dropped, by the clock and by the sugar. */
export function timetable(plan: FeedingPlan, ledger: Ledger, pitchedAt: number, now: number): Timetable {
  const breakAt = shareSeenAt(ledger, THIRD_BREAK);
  const course = courseOf(plan, ledger);
  const isTooLate = isPastFeeding(ledger, pitchedAt, now);
  const clockAt = (dose: PlannedDose): number => pitchedAt + dose.clockH * HOUR_MS;
  const earliestAt = pitchedAt + FIRST_AMMONIUM_H * HOUR_MS;
  const dueAt = (dose: PlannedDose): number => {
    const seen = dose.share === null ? breakAt : shareSeenAt(ledger, dose.share);
    return seen === null ? clockAt(dose) : Math.min(clockAt(dose), Math.max(seen, earliestAt));
  };
  const isGiven = (dose: PlannedDose): boolean => ledger.history.doses.some((event) => event.dose === dose.number);
  const open = plan.doses.filter((dose) => !isGiven(dose));
  const due = open.filter((dose) => dueAt(dose) <= now);
  /** Only the latest of several overdue ones is given; past the break one more of any kind, and no other after it. */
  const overdue = due.findLast((dose) => breakAt === null || clockAt(dose) <= now);
  const isLastGiven = breakAt !== null && ledger.history.doses.some(({ at }) => at >= breakAt);
  const giveNow = isLastGiven ? undefined : (overdue ?? due[0]);
  const stateOf = (dose: PlannedDose): DoseState => {
    if (isGiven(dose)) return 'given';
    if (isTooLate) return 'too late';
    if (dose === giveNow) return 'due';
    if (breakAt !== null) return clockAt(dose) < breakAt && dose.number < (giveNow?.number ?? Infinity) ? 'missed' : 'dropped';
    return due.includes(dose) ? 'missed' : 'ahead';
  };
  const soonestAt = (dose: PlannedDose): number => {
    if (dose.share === null || course === null) return dueAt(dose);
    const before = open.findLast((other) => other.number < dose.number);
    const rested = before === undefined ? 0 : soonestAt(before) + BETWEEN_DOSES_H * HOUR_MS;
    return Math.min(dueAt(dose), Math.max(now, rested, expectedAt(course, dose.share)));
  };
  return { breakAt, course, clockAt, dueAt, soonestAt, stateOf };
}
