import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import type { Immutable } from '../quantities/index.ts';
import type { Turn } from '../record/index.ts';
import { DRY_SUGAR_G_PER_L } from '../yeast/index.ts';
import type { Facts, Look, Warmth } from './facts.ts';
import {
  CANNOT_RISE_SG,
  COLD_BELOW_LOW_C,
  DRY_WITHIN_G_PER_L,
  EQUAL_SG,
  GRACE_H,
  LEVEL,
  LOOK_H,
  NO_SHIFT_SG,
  NO_SUGAR_G_PER_L,
  POINTS,
  STILL,
} from './limits.ts';

const TINY_SG = 1e-9;
const WEEK_MS = 7 * DAY_MS;

/** The longest run of equal readings up to the latest, and how long it stood so in the warm. */
export interface Level {
  /** Oldest first, as they would read now; at least one. */
  looks: readonly Look[];
  since: number;
  last: Look;
  days: number;
  /** Readings that lie apart from one another. */
  count: number;
  /** Above the likely end. */
  points: number;
  /** What went in since the last of them and moves the level: it wants a reading. */
  isUnread: boolean;
}

const pointsAbove = (sg: number, endSg: number): number => 1000 * (sg - endSg);

/** Below this its days count for nothing, °C. */
const coldBelowC = ({ lowC }: Facts, points: number): number =>
  points > POINTS.atEnd && points <= POINTS.near ? lowC : lowC - COLD_BELOW_LOW_C;

const tempAt = (warmths: readonly Warmth[], moment: number): number =>
  warmths.findLast(({ at }) => at <= moment)?.tempC ?? Number.POSITIVE_INFINITY;

/** Whether it stood too cold at a moment for its yeast to show anything. */
export const isCold = (facts: Facts, moment: number): boolean => tempAt(facts.warmths, moment) < facts.lowC - COLD_BELOW_LOW_C;

/** Days between two moments on which it stood warm enough for yeast to work. */
function warmDays(warmths: readonly Warmth[], from: number, to: number, belowC: number): number {
  const turns = [from, ...warmths.map(({ at }) => at).filter((at) => at > from && at < to), to];
  const ms = turns.slice(1).reduce((sum, end, i) => {
    const start = turns[i] ?? end;
    return tempAt(warmths, start) < belowC ? sum : sum + end - start;
  }, 0);
  return ms / DAY_MS;
}

/** Warm days since the last reading of a level. */
export const warmDaysOf = (facts: Facts, { last, points }: Level, now: number): number =>
  warmDays(facts.warmths, last.at, now, coldBelowC(facts, points));

function countApart(looks: readonly Look[]): number {
  let count = 0;
  let lastAt = Number.NEGATIVE_INFINITY;
  for (const { at } of looks)
    if (at - lastAt >= LOOK_H * HOUR_MS - 1) {
      count += 1;
      lastAt = at;
    }
  return count;
}

const areEqual = (a: Look, b: Look): boolean => Math.abs(a.sg - b.sg) <= EQUAL_SG + TINY_SG;
const spreadOf = (looks: readonly Look[]): number => Math.max(...looks.map(({ sg }) => sg)) - Math.min(...looks.map(({ sg }) => sg));

/** Gravity does not rise by itself, nor fall and come back: what lies so between its neighbors was a slip. */
function withoutSlips(looks: readonly Look[]): Look[] {
  const between = looks.filter((look, i) => {
    const [before, after] = [looks[i - 1], looks[i + 1]];
    return before === undefined || after === undefined || !areEqual(before, after) || areEqual(look, before) || areEqual(look, after);
  });
  const standing: Look[] = [];
  for (const look of between) {
    const before = standing.at(-1);
    if (before === undefined || look.sg <= before.sg + CANNOT_RISE_SG + TINY_SG) standing.push(look);
  }
  return standing;
}

/** Whether a run may be called level; `isCut` where an equal reading before it was left out for its slope. */
function isLevel(run: readonly Look[], points: number, isCut: boolean): boolean {
  const [first, last] = [run[0], run.at(-1)];
  if (first === undefined || last === undefined || spreadOf(run) > EQUAL_SG + TINY_SG) return false;
  const slopeSg = (LEVEL.aWeekSg * (last.at - first.at)) / WEEK_MS;
  const floorSg = points <= POINTS.atEnd ? LEVEL.atEndSg : LEVEL.lineSg;
  return first.sg - last.sg <= (isCut ? slopeSg : Math.max(floorSg, slopeSg)) + TINY_SG;
}

/** The longest level run of readings up to the last. @param looks at least one */
function longestRun(looks: readonly Look[], points: number): readonly Look[] {
  for (let from = 0; from < looks.length - 1; from++) {
    const isCut = from > 0 && spreadOf(looks.slice(from - 1)) <= EQUAL_SG + TINY_SG;
    if (isLevel(looks.slice(from), points, isCut)) return looks.slice(from);
  }
  return looks.slice(-1);
}

/** What a level is asked at: the readings and additions before a moment, and what the mead is going to end at. */
export interface Asked {
  /** Readings before this place count, and additions before this many. */
  beforePlace: number;
  turns: readonly Immutable<Turn>[];
  endSg: number;
  sweetGPerL: number;
}

const askedNow = ({ turns, endSg, sweetGPerL }: Facts): Asked => ({
  beforePlace: Number.POSITIVE_INFINITY,
  turns,
  endSg,
  sweetGPerL,
});
/** As it was just before something went in. @param turns those before it */
export const askedBefore = (
  { reads, endSg, sugarGPerL }: { reads: number; endSg: number; sugarGPerL: number },
  turns: readonly Immutable<Turn>[],
): Asked => ({ beforePlace: reads, turns, endSg, sweetGPerL: sugarGPerL - DRY_SUGAR_G_PER_L.value });

/** Additions since a level begins, and from which reading on. */
interface Begun {
  fromPlace: number;
  since: readonly Immutable<Turn>[];
}

/** From where on the present level counts: since sugar, yeast or another mead went in, or water before it was proven. */
function begunOf(facts: Facts, turns: readonly Immutable<Turn>[]): Begun {
  let begun: Begun = { fromPlace: 0, since: [] };
  let sugarGPerL = 0;
  turns.forEach((turn, i) => {
    const { reads, endSg, sugarBeforeGPerL } = turn;
    const before = levelFrom(facts, begun, askedBefore({ reads, endSg, sugarGPerL: sugarBeforeGPerL }, turns.slice(0, i)));
    const wasProven = before !== null && !before.isUnread && opensDry(before, sugarBeforeGPerL - DRY_SUGAR_G_PER_L.value) === 'open';
    /** A proof is one of what went in before it was read. */
    const lastSugar = turns.slice(0, i).findLast((earlier) => earlier.sugarGPerL > 0);
    const isProofOfIt = wasProven && before.last.place >= (lastSugar?.reads ?? 0);
    sugarGPerL = (isProofOfIt ? 0 : sugarGPerL) + turn.sugarGPerL;
    const isNew =
      turn.what === 'yeast' || turn.what === 'blend' || sugarGPerL > NO_SUGAR_G_PER_L + TINY_SG || (turn.what === 'water' && !wasProven);
    begun = isNew ? { fromPlace: turn.reads, since: [] } : { ...begun, since: [...begun.since, turn] };
  });
  return begun;
}

const shiftAfter = (turns: readonly Immutable<Turn>[], place: number): number =>
  turns.reduce((sum, { reads, shiftSg }) => sum + (place < reads ? shiftSg : 0), 0);

/** @returns null where nothing was read */
function levelFrom(facts: Facts, { fromPlace, since }: Begun, { beforePlace, endSg }: Asked): Level | null {
  const shifted = facts.looks
    .filter(({ place }) => place >= fromPlace && place < beforePlace)
    .map((look) => ({ ...look, sg: look.sg + shiftAfter(since, look.place) }));
  const found = (belowC: number): Level | null => {
    const warm = withoutSlips(shifted.filter(({ at }) => tempAt(facts.warmths, at) >= belowC));
    const last = warm.at(-1);
    if (last === undefined) return null;
    const points = pointsAbove(last.sg, endSg);
    const looks = longestRun(warm, points);
    const first = looks[0] ?? last;
    return {
      looks,
      since: first.at,
      last,
      days: warmDays(facts.warmths, first.at, last.at, belowC),
      count: countApart(looks),
      points,
      isUnread: Math.abs(shiftAfter(since, last.place)) > NO_SHIFT_SG,
    };
  };
  const level = found(facts.lowC - COLD_BELOW_LOW_C);
  const belowC = level === null ? Number.NaN : coldBelowC(facts, level.points);
  return level !== null && belowC > facts.lowC - COLD_BELOW_LOW_C ? found(belowC) : level;
}

/** The present level of a record, or of what it was at a moment; null where nothing in the warm was read since it began. */
export const levelOf = (facts: Facts, asked: Asked = askedNow(facts)): Level | null => levelFrom(facts, begunOf(facts, asked.turns), asked);

/** Whether a level has so many warm days and looks. */
export const isStillFor = ({ days, count }: Level, wanted: { readonly days: number; readonly looks: number }): boolean =>
  days + GRACE_H / 24 >= wanted.days && count >= wanted.looks;

/** What a dry mead without guard comes to by itself: open, worth a question, or neither. */
export function opensDry(level: Level, sweetGPerL: number): 'open' | 'ask' | null {
  if (sweetGPerL > DRY_WITHIN_G_PER_L) return null;
  if (level.points <= POINTS.atEnd + 1e-6) return isStillFor(level, STILL.atEnd) ? 'open' : null;
  if (level.points > POINTS.near + 1e-6) return null;
  if (isStillFor(level, STILL.nearTwo) || isStillFor(level, STILL.nearThree)) return 'open';
  return isStillFor(level, STILL.atEnd) ? 'ask' : null;
}
