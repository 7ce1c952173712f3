import { provesAnEnd } from '../liquid/index.ts';
import type { Ledger, ReadingPoint } from '../record/index.ts';
import { expectedEnd } from './end.ts';
import { factsOf } from './facts.ts';
import { levelOf } from './level.ts';
import type { Level } from './level.ts';
import { EQUAL_SG, POINTS } from './limits.ts';
import { isProvenStill, isWordOf, stillVerdict } from './still.ts';
import { provenStillAt } from './ways.ts';

export interface Finish {
  state: 'moving' | 'waiting' | 'finished';
  /** What makes it finished: it stands near its likely end, or rests above it by the maker's word, or under guard. */
  by: 'gravity' | 'word' | 'guard' | null;
  /** When its level began. */
  since: number | null;
  level: Level | null;
  last: ReadingPoint | null;
  /** When a next equal reading would prove it; null where one alone does not. */
  provenAt: number | null;
  /** Only a float or a refractometer says so; the proof wants a hydrometer or a density meter. */
  wantsHydrometer: boolean;
}

const finishes = new WeakMap<Ledger, Finish>();

/** Whether fermentation is over, by the level that the judgement of glass goes by. @param ledger of which nobody changes anything */
export function finishOf(ledger: Ledger): Finish {
  const known = finishes.get(ledger) ?? reckoned(ledger);
  finishes.set(ledger, known);
  return known;
}

function reckoned(ledger: Ledger): Finish {
  const pitchedAt = ledger.history.pitch?.at ?? Number.POSITIVE_INFINITY;
  const last = ledger.history.readings.findLast(({ verdict, at }) => verdict === 'follows' && at >= pitchedAt) ?? null;
  const none: Finish = { state: 'moving', by: null, since: null, level: null, last, provenAt: null, wantsHydrometer: false };
  const facts = factsOf(ledger);
  if (facts === null || facts.pitchedAt === null) return none;
  const level = levelOf(facts);
  const { ground } = stillVerdict(facts);
  if (facts.guard !== null && ground.row === 'guarded')
    return { ...none, state: ground.isStill ? 'finished' : 'moving', by: 'guard', since: level?.since ?? null, level };
  const sg = level === null || level.isUnread ? facts.sg : level.last.sg;
  /** As low as it may well end: a tolerance is known to a percent or two, and a sweet end to some points. */
  const lowSg = Math.max(facts.endSg + POINTS.near / 1000, (expectedEnd(ledger)?.sg.high ?? 0) + EQUAL_SG) + 1e-9;
  const isLow = sg <= lowSg;
  const isWord = level !== null && isWordOf(facts, level);
  const wantsHydrometer = last !== null && !provesAnEnd(last.instrument);
  const lastLow = wantsHydrometer && last.sg <= lowSg;
  if (!isLow && !isWord && !lastLow) return { ...none, since: level?.since ?? null, level };
  if (level === null && !lastLow && facts.turns.length === 0) return none;
  const by = isLow || lastLow ? 'gravity' : 'word';
  if (!wantsHydrometer && level !== null && isProvenStill(facts, level))
    return { ...none, state: 'finished', by, since: level.since, level };
  const now = ledger.history.lastEventAt ?? 0;
  const provenAt = provenStillAt(facts, now);
  return { ...none, state: 'waiting', by, since: level?.since ?? null, level, provenAt, wantsHydrometer };
}
