import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import type { Immutable } from '../quantities/index.ts';
import type { Guard, Ledger, Turn } from '../record/index.ts';
import { factsOf } from './facts.ts';
import type { Facts, Look, Sign } from './facts.ts';
import {
  AT_LIMIT_ABV,
  BELOW_WATER_SG,
  DRY_WITHIN_G_PER_L,
  EQUAL_SG,
  GUARD_READ,
  GUARD_WAIT_H,
  HEATED_LIVE_DAYS,
  HONEY_BEFORE_GUARD_H,
  NO_SUGAR_G_PER_L,
  OLD_POWDERS_DAYS,
  POINTS,
  STILL,
} from './limits.ts';
import { askedBefore, isCold, isStillFor, levelOf, opensDry } from './level.ts';
import type { Level } from './level.ts';

const TINY_SG = 1e-9;
/** A clock's own rounding, ms. */
const TICK_MS = 1000;

/** What still glass rests on, or what bars it. */
export type Ground =
  /** Nothing was pitched, or nothing read. */
  | { row: 'unpitched' | 'unread' }
  /** Dry or near it, by stillness alone. */
  | { row: 'dry' | 'near' | 'stays' | 'at its limit' | 'sweetened' | 'moving'; level: Level }
  | ({ row: 'guarded' } & Guarding);

/** How far a guarded mead has come. */
export interface Guarding {
  by: Guard['by'];
  /** The last of guard and sweetening, and when its wait ends. */
  settledAt: number;
  readyAt: number;
  /** What the ledger made of it then. */
  expectedSg: number;
  last: Look | null;
  /** Whether what it did before, or does since, is proven still. */
  isStill: boolean;
  isRead: boolean;
  isOld: boolean;
  isHazy: boolean;
  level: Level | null;
}

export interface StillVerdict {
  verdict: 'open' | 'ask' | 'shut';
  ground: Ground;
  /** What was seen since, where it asks. */
  signs: readonly Sign[];
}

const isSugar = ({ what, sugarGPerL }: Immutable<Turn>): boolean => what === 'blend' || sugarGPerL > NO_SUGAR_G_PER_L;

/** Whether so far it lay on a level that guard may rest on. */
function wasStill(level: Level | null, sweetGPerL: number): boolean {
  if (level === null || level.isUnread) return false;
  return opensDry(level, sweetGPerL) === 'open' || isStillFor(level, STILL.nearTwo) || isStillFor(level, STILL.nearThree);
}

/** Whether a level may be called proven: it opens dry glass by itself, or stood long enough for guard to rest on it. */
export const isProvenStill = ({ sweetGPerL }: Facts, level: Level): boolean => wasStill(level, sweetGPerL);

/** Whether it was proven still as its guard began, or just before honey that went in within the day before it. */
function wasStillBefore(facts: Facts, guard: Immutable<Guard>): boolean {
  const before = facts.turns.filter(({ reads, at }) => reads <= guard.reads && at <= guard.at);
  const honey = before.findIndex((turn) => isSugar(turn) && guard.at - turn.at <= HONEY_BEFORE_GUARD_H * HOUR_MS + TICK_MS);
  const first = before[honey];
  const asked =
    first === undefined
      ? askedBefore(guard, before)
      : askedBefore({ reads: first.reads, endSg: first.endSg, sugarGPerL: first.sugarBeforeGPerL }, before.slice(0, honey));
  return wasStill(levelOf(facts, asked), asked.sweetGPerL);
}

/** Two guarded meads together are still where both were. */
function areBlendsStill({ turns }: Facts, guard: Immutable<Guard>): boolean {
  return turns
    .filter(({ at }) => at >= guard.at)
    .every(({ guardedToo }) => {
      if (guardedToo === null) return true;
      const other = factsOf(guardedToo);
      return other !== null && other.guard !== null && isGuardStill(other, other.guard);
    });
}

function isGuardStill(facts: Facts, guard: Immutable<Guard>): boolean {
  if (!areBlendsStill(facts, guard)) return false;
  if (wasStillBefore(facts, guard)) return true;
  const since = facts.turns.findLast((turn) => turn.at >= guard.at && isSugar(turn))?.at ?? guard.at;
  const level = levelOf(facts);
  if (level === null || level.isUnread) return false;
  if (guard.by === 'heat') {
    const first = level.looks.find(({ at }) => at >= since);
    return first !== undefined && level.last.at - first.at >= HEATED_LIVE_DAYS * DAY_MS - HOUR_MS;
  }
  return wasStill(level, Number.POSITIVE_INFINITY);
}

/** Read after its wait as the ledger has it, or twice on one level. @param looks since the last of guard and sweetening */
function isReadAs(looks: readonly Look[], expectedSg: number, readyAt: number): boolean {
  const last = looks.at(-1);
  if (last === undefined || last.at < readyAt - TICK_MS) return false;
  const highest = Math.max(...looks.map(({ sg }) => sg));
  if (Math.abs(last.sg - expectedSg) <= GUARD_READ.asExpectedSg + TINY_SG && highest - last.sg <= EQUAL_SG + TINY_SG) return true;
  const apartH = expectedSg - last.sg > GUARD_READ.farBelowSg + TINY_SG ? GUARD_READ.farBelowH : GUARD_READ.twiceH;
  const first = looks.findIndex(
    (look, i) => i < looks.length - 1 && looks.slice(i).every(({ sg }) => Math.abs(sg - look.sg) <= EQUAL_SG + TINY_SG),
  );
  const since = looks[first];
  return (
    since !== undefined && last.at - since.at >= apartH * HOUR_MS - TICK_MS && since.sg - last.sg <= GUARD_READ.secondLowerSg + TINY_SG
  );
}

function guardingOf(facts: Facts, guard: Immutable<Guard>): Guarding {
  const since = facts.turns.filter(({ at, reads }) => at >= guard.at && reads >= guard.reads);
  const moved = since.findLast((turn) => isSugar(turn) || Math.abs(turn.shiftSg) > TINY_SG);
  const honey = since.findLast(isSugar);
  const settledAt = Math.max(guard.at, honey?.at ?? guard.at);
  const readyAt = settledAt + GUARD_WAIT_H[guard.by] * HOUR_MS;
  const expectedSg = moved?.sgAfter ?? guard.sg;
  const reads = moved?.reads ?? guard.reads;
  const level = levelOf(facts);
  const looks = facts.looks.filter(({ place, at }) => place >= reads && at >= settledAt);
  const warm = level === null ? [] : looks.filter((look) => look.at <= level.last.at && !isCold(facts, look.at));
  const oldBefore = (honey?.at ?? Number.NEGATIVE_INFINITY) - OLD_POWDERS_DAYS * DAY_MS;
  return {
    by: guard.by,
    settledAt,
    readyAt,
    expectedSg,
    last: warm.at(-1) ?? null,
    isStill: isGuardStill(facts, guard),
    isRead: isReadAs(warm, expectedSg, readyAt),
    isOld: guard.by === 'dose' && (facts.sulfiteAt ?? guard.at) < oldBefore && (facts.freeSo2At ?? Number.NEGATIVE_INFINITY) < oldBefore,
    isHazy: guard.by === 'dose' && facts.hazyAt !== null && facts.hazyAt >= guard.at,
    level,
  };
}

/** Whether sugar, be it by pinches, went into it once it stood at its end; what is fed to a mead at work is food. */
function isSweetened({ turns }: Facts): boolean {
  const late = turns.filter(({ what, sgBefore, endSg }) => what === 'blend' || 1000 * (sgBefore - endSg) <= POINTS.near + 1e-6);
  return late.some(({ what }) => what === 'blend') || late.reduce((sum, { sugarGPerL }) => sum + sugarGPerL, 0) > NO_SUGAR_G_PER_L;
}

/** A word that it stays is one of the level that it was said on. */
export const isWordOf = ({ staysHereAt }: Facts, level: Level): boolean => staysHereAt !== null && staysHereAt >= level.since;

/** Sweet, and its alcohol where its yeast gives up. */
const isAtLimit = ({ abv, reachedAbv, toleranceAbv, sweetGPerL }: Facts): boolean =>
  sweetGPerL > 0 && reachedAbv >= toleranceAbv - AT_LIMIT_ABV.within && abv >= toleranceAbv - AT_LIMIT_ABV.thinned;

/** By stillness alone, as if nothing guarded it. */
function unguarded(facts: Facts): StillVerdict {
  const level = levelOf(facts);
  const shut = (ground: Ground): StillVerdict => ({ verdict: 'shut', ground, signs: [] });
  if (facts.pitchedAt === null) return shut({ row: 'unpitched' });
  if (level === null) return shut({ row: 'unread' });
  const told = (
    verdict: StillVerdict['verdict'],
    row: 'dry' | 'near' | 'stays' | 'at its limit' | 'sweetened' | 'moving',
  ): StillVerdict => ({
    verdict: level.isUnread ? 'shut' : verdict,
    ground: { row, level },
    signs: [],
  });
  const dry = opensDry(level, facts.sweetGPerL);
  const isLong = isStillFor(level, STILL.long);
  const isNear = level.points <= POINTS.near + 1e-6;
  if (dry !== null) return told(dry, level.points <= POINTS.atEnd + 1e-6 ? 'dry' : 'near');
  if (isAtLimit(facts)) return told(isLong ? 'ask' : 'shut', 'at its limit');
  if (isSweetened(facts) && !isNear) return told('shut', 'sweetened');
  if (isNear && facts.sweetGPerL > DRY_WITHIN_G_PER_L) return told('shut', 'at its limit');
  if (isNear) return told('shut', level.points <= POINTS.atEnd + 1e-6 ? 'dry' : 'near');
  const stays = isWordOf(facts, level);
  const restsDry = level.last.sg < BELOW_WATER_SG && level.points <= POINTS.restsDry + 1e-6;
  return told((stays || restsDry) && isLong ? 'ask' : 'shut', level.count > 1 ? 'stays' : 'moving');
}

/** Under its guard it reads less than what went in made of it: it ferments again. */
export function fellUnderGuard(ledger: Ledger): boolean {
  const facts = factsOf(ledger);
  if (facts === null || facts.guard === null) return false;
  const { last, expectedSg, isRead } = guardingOf(facts, facts.guard);
  return last !== null && !isRead && expectedSg - last.sg > GUARD_READ.asExpectedSg + TINY_SG;
}

const MILDEST = { open: 0, ask: 1, shut: 2 } as const;

/** The mildest row of still glass that a record comes to. */
export function stillVerdict(facts: Facts): StillVerdict {
  const bare = unguarded(facts);
  const { guard } = facts;
  const guarding = guard === null ? null : guardingOf(facts, guard);
  const guarded: StillVerdict | null =
    guarding === null
      ? null
      : {
          verdict: !guarding.isStill || !guarding.isRead ? 'shut' : guarding.isOld || guarding.isHazy ? 'ask' : 'open',
          ground: { row: 'guarded', ...guarding },
          signs: [],
        };
  const best = guarded !== null && MILDEST[guarded.verdict] <= MILDEST[bare.verdict] ? guarded : bare;
  const lastAt = lastLookAt(best.ground);
  const signs = facts.signs.filter(({ of, at }) => of === 'film' || of === 'mold' || at > lastAt);
  return best.verdict === 'shut' ? best : { ...best, signs, verdict: signs.length > 0 ? 'ask' : best.verdict };
}

const lastLookAt = (ground: Ground): number => {
  if (ground.row === 'guarded') return ground.last?.at ?? Number.NEGATIVE_INFINITY;
  return 'level' in ground ? ground.level.last.at : Number.NEGATIVE_INFINITY;
};
