import type { ReadingPoint } from '../../record/index.ts';
import { DAY_MS, HOUR_MS, RANGE_SD } from '../../quantities/index.ts';
import { LAG_H } from './limits.ts';
import { MOST_READINGS, levelStretches } from '../line.ts';
import type { Stretch } from '../line.ts';

/** How long it has not moved, as far as its readings can tell. */
export interface Standing {
  since: ReadingPoint;
  days: number;
  /** What it may have fallen meanwhile at most, as a share of what it should have at the pace before; infinity where nothing tells. */
  movedShare: number;
  /** More of it is gone than two readings scatter. */
  hasBegun: boolean;
  /** It falls by its line, if slowly. */
  creeps: boolean;
  /** It stood, and what was read since is no fall. */
  isHeld: boolean;
}

/** The pace before it stood is taken over so many days. */
const PACE_DAYS = 4;
/** What stood moves again where it is read so far below, SG: once, once after something was done about it, or twice in a row by readings that agree (our estimates). */
export const MOVES_AGAIN = { onceSg: 0.008, curedSg: 0.005, twiceSg: 0.004, agreeSg: 0.003 } as const;
/** Under this share of what it should have fallen, for so many days, it stands; the sooner the less, and where a blow was seen (our estimates). */
export const STANDS = { share: 0.5, days: 3, soonShare: 1 / 3, soonDays: 2, blowShare: 0.6, blowDays: 1 } as const;

export interface Before {
  /** At the pitch, or where sugar last went in. */
  startAt: number;
  startSg: number;
  /** Where it should end. */
  endSg: number;
  /** When something was last done about a stall; null where nothing was. */
  curedAt: number | null;
}

/** SG a day that it fell before a reading; over the last days, or since it began. */
function paceBefore(readings: readonly ReadingPoint[], at: number, { startAt, startSg }: Before): number {
  const until = readings[at];
  if (until === undefined) return 0;
  const earlier = readings.slice(0, at).findLast((reading) => until.at - reading.at >= PACE_DAYS * DAY_MS);
  const [fromAt, fromSg] = earlier === undefined ? [startAt, startSg] : [earlier.at, earlier.sg];
  const days = (until.at - fromAt) / DAY_MS;
  return days > 0 ? Math.max(0, (fromSg - until.sg) / days) : 0;
}

/** What has hardly begun has no pace of its own: after its lag it should go by so much a day, as the slower musts do (our estimates). */
const HARDLY_BEGUN = { withinSg: 0.006, sgPerDay: 0.003 } as const;

/** What it should have fallen in some days: at its pace, ever slower toward its end. */
function expectedFall(pace: number, leftSg: number, days: number): number {
  return leftSg <= 0 ? 0 : leftSg * (1 - Math.exp((-pace * days) / leftSg));
}

function standsNow(readings: readonly ReadingPoint[], notBefore: number, before: Before): Omit<Standing, 'isHeld'> & { levelSg: number } {
  const stretches = levelStretches(readings);
  const { from, fallSg, fallSd } = (stretches.find((stretch) => stretch.from >= notBefore) ?? stretches.at(-1)) as Stretch;
  const [since, last] = [readings[from], readings.at(-1)] as [ReadingPoint, ReadingPoint];
  const stretch = readings.slice(from);
  const days = (last.at - since.at) / DAY_MS;
  const hasBegun = before.startSg - since.sg > HARDLY_BEGUN.withinSg;
  const expected = hasBegun
    ? expectedFall(paceBefore(readings, from, before), since.sg - before.endSg, days)
    : HARDLY_BEGUN.sgPerDay * Math.max(0, (last.at - Math.max(since.at, before.startAt + LAG_H * HOUR_MS)) / DAY_MS);
  return {
    since,
    days,
    hasBegun,
    movedShare: expected > 0 ? (Math.max(0, fallSg) + RANGE_SD * fallSd) / expected : Number.POSITIVE_INFINITY,
    creeps: fallSg > RANGE_SD * fallSd,
    /** No must stands above where it began, whatever its readings scatter. */
    levelSg: Math.min(before.startSg, stretch.reduce((sum, { sg }) => sum + sg, 0) / stretch.length),
  };
}

/** Whether so little movement over so long is a stand. */
export const isStand = ({ days, movedShare, hasBegun }: Pick<Standing, 'days' | 'movedShare' | 'hasBegun'>, hadBlow: boolean): boolean =>
  (hasBegun && movedShare <= STANDS.share && days >= STANDS.days) ||
  (movedShare <= STANDS.soonShare && days >= STANDS.soonDays) ||
  (hadBlow && movedShare <= STANDS.blowShare && days >= STANDS.blowDays);

/**
 * Whether a must stands, by a straight line through its readings and the pace before. Once it stood, only a fall takes that back, and
 * not the scatter of one reading; after two low ones the line is asked anew.
 *
 * @param readings of one fermentation, oldest first, at least one
 */
export function standingOf(readings: readonly ReadingPoint[], before: Before, hadBlow: boolean): Standing {
  const counted = readings.slice(-MOST_READINGS);
  let held: { since: ReadingPoint; levelSg: number } | null = null;
  /** Since it was seen to fall at one reading, none before that counts for a stand. */
  let movedAt = 0;
  let now = standsNow(counted.slice(0, 1), movedAt, before);
  counted.forEach((reading, i) => {
    const previous = counted[i - 1];
    if (held !== null) {
      const isCured = before.curedAt !== null && before.curedAt >= held.since.at && reading.at > before.curedAt;
      const onceSg = isCured ? MOVES_AGAIN.curedSg : MOVES_AGAIN.onceSg;
      const isBelow = (each: ReadingPoint | undefined, bySg: number): boolean =>
        each !== undefined && held !== null && each.sg <= held.levelSg - bySg + 1e-9;
      const agree = previous !== undefined && Math.abs(reading.sg - previous.sg) <= MOVES_AGAIN.agreeSg;
      const fellTwice = agree && isBelow(reading, MOVES_AGAIN.twiceSg) && isBelow(previous, MOVES_AGAIN.twiceSg);
      if (isBelow(reading, onceSg)) movedAt = i;
      if (fellTwice || isBelow(reading, onceSg)) held = null;
    }
    now = standsNow(counted.slice(0, i + 1), movedAt, before);
    if (held === null && isStand(now, hadBlow)) held = { since: now.since, levelSg: now.levelSg };
  });
  const stood = held as { since: ReadingPoint } | null;
  const last = counted.at(-1) as ReadingPoint;
  const since = stood !== null && stood.since.at < now.since.at ? stood.since : now.since;
  return {
    since,
    days: (last.at - since.at) / DAY_MS,
    movedShare: now.movedShare,
    hasBegun: now.hasBegun,
    creeps: now.creeps,
    isHeld: stood !== null,
  };
}
