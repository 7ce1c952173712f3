import { shownDate } from '@hollow-bell/tell';
import { DAY_MS } from '@hollow-bell/core/quantities';

/** One axis for all shelves: the last year and the next are wide, what lies beyond is drawn closer. */
export interface TimeAxis {
  from: number;
  /** From here on years lie closer. */
  breakAt: number;
  to: number;
  x: (at: number) => number;
  months: { x: number; letter: string }[];
  years: { x: number; year: number }[];
}

const WIDE_AHEAD_DAYS = 420;
const WIDE_SHARE = 0.84;
const LEAST_MONTH_PX = 15;
const LEAST_YEAR_PX = 38;

export function timeAxis(fromAt: number, now: number, toAt: number, width: number, locale: string | undefined): TimeAxis {
  const from = Math.min(fromAt, now - 90 * DAY_MS) - 20 * DAY_MS;
  const breakAt = Math.min(Math.max(now + WIDE_AHEAD_DAYS * DAY_MS, from + DAY_MS), Math.max(toAt, now + 120 * DAY_MS) + 10 * DAY_MS);
  const to = Math.max(toAt + 30 * DAY_MS, breakAt);
  const wide = to > breakAt + DAY_MS ? width * WIDE_SHARE : width;
  const x = (at: number): number =>
    at <= breakAt ? ((at - from) / (breakAt - from)) * wide : wide + ((Math.min(at, to) - breakAt) / (to - breakAt)) * (width - wide);
  const months: TimeAxis['months'] = [];
  const years: TimeAxis['years'] = [];
  const first = new Date(from);
  for (
    let month = new Date(first.getFullYear(), first.getMonth() + 1, 1);
    month.getTime() < to;
    month = new Date(month.getFullYear(), month.getMonth() + 1, 1)
  ) {
    const at = month.getTime();
    if (month.getMonth() === 0) years.push({ x: x(at), year: month.getFullYear() });
    if (at < breakAt) months.push({ x: x(at), letter: shownDate(month.getTime(), { month: 'narrow' }, { locale }) });
  }
  const spaced = years.reduce<TimeAxis['years']>(
    (kept, each) =>
      each.x - (kept.at(-1)?.x ?? Number.NEGATIVE_INFINITY) < LEAST_YEAR_PX || each.x > width - LEAST_YEAR_PX ? kept : [...kept, each],
    [],
  );
  const [one, two] = months;
  const isWide = one !== undefined && two !== undefined && two.x - one.x >= LEAST_MONTH_PX;
  return { from, breakAt, to, x, months: isWide ? months : [], years: spaced };
}

/** Signs on one line keep clear of each other, those at one date beside it. */
export function keepClear<T extends { x: number }>(signs: readonly T[], apart: number, most: number): T[] {
  let last = Number.NEGATIVE_INFINITY;
  const right = signs
    .toSorted((a, b) => a.x - b.x)
    .map((sign) => {
      last = Math.max(sign.x, last + apart);
      return { ...sign, x: last };
    });
  let next = most;
  return right
    .toReversed()
    .map((sign) => {
      next = Math.min(sign.x, next);
      const placed = { ...sign, x: next };
      next -= apart;
      return placed;
    })
    .toReversed();
}
