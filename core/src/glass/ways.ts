import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L } from '../yeast/index.ts';
import type { Facts } from './facts.ts';
import { GUARD_READ, HEATED_LIVE_DAYS, LOOK_H, STILL } from './limits.ts';
import { levelOf, warmDaysOf } from './level.ts';
import { isProvenStill, stillVerdict } from './still.ts';

/** One thing that a maker does towards glass, at the earliest. */
interface Step {
  deed: 'read' | 'stays' | 'warm' | 'powders';
  at: number;
}

/** What leads to glass: its steps, when the last of them opens it, and to what. */
export interface Way {
  id: 'read' | 'word' | 'warm' | 'guard' | 'ferment';
  steps: readonly Step[];
  at: number;
  becomes: 'open' | 'ask';
  /** What the readings on it show, SG. */
  sg: number;
}

/** Beyond all that was read. */
const LATER_PLACE = 1_000_000;

/** The facts as they would be had a step been taken, a reading of this gravity among them. */
function afterStep(facts: Facts, { deed, at }: Step, sg: number): Facts {
  switch (deed) {
    case 'read':
      return { ...facts, sg, looks: [...facts.looks, { at, sg, place: LATER_PLACE + facts.looks.length }] };
    case 'stays':
      return { ...facts, staysHereAt: at };
    case 'warm':
      return { ...facts, warmths: [...facts.warmths, { at, tempC: facts.lowC }] };
    case 'powders': {
      const sugarGPerL = facts.sweetGPerL + DRY_SUGAR_G_PER_L.value;
      const reads = LATER_PLACE + facts.looks.length;
      return {
        ...facts,
        sulfiteAt: at,
        guard: { by: 'dose', at, reads, sg: facts.sg, endSg: facts.endSg, sugarGPerL, so2MgPerL: 0, sorbicMgPerL: 0 },
      };
    }
  }
}

const afterSteps = (facts: Facts, steps: readonly Step[], sg: number): Facts => steps.reduce((so, step) => afterStep(so, step, sg), facts);

/** When one more reading may change the verdict: once enough days have passed since the first of the level, or since guard and honey. */
function momentsFor(facts: Facts, from: number): number[] {
  const level = levelOf(facts);
  const after = (ms: number, ...days: number[]): number[] => days.map((each) => ms + each * DAY_MS);
  const lookDays = LOOK_H / 24;
  const stillDays = [STILL.atEnd.days, STILL.nearTwo.days, STILL.long.days];
  const ofLevel =
    level === null
      ? []
      : [
          ...after(level.last.at, lookDays),
          ...stillDays.map((days) => from + (days - level.days - warmDaysOf(facts, level, from)) * DAY_MS),
          ...level.looks.flatMap(({ at }) => after(at, GUARD_READ.twiceH / 24, HEATED_LIVE_DAYS)),
        ];
  const { guard } = facts;
  const waits =
    guard === null ? [] : [guard.at, ...facts.turns.map(({ at }) => at)].flatMap((at) => [at + 12 * HOUR_MS, at + 24 * HOUR_MS]);
  return [...new Set([from, ...ofLevel, ...waits].map((at) => Math.max(from, at)))].sort((a, b) => a - b);
}

/** The earliest reading after some steps that opens glass, or else is worth its question. */
function lastReading(facts: Facts, before: readonly Step[], sg: number, from: number): { step: Step; becomes: 'open' | 'ask' } | null {
  const so = afterSteps(facts, before, sg);
  const tried = momentsFor(so, from).map((at) => {
    const step: Step = { deed: 'read', at };
    return { step, becomes: stillVerdict(afterStep(so, step, sg)).verdict };
  });
  const found = tried.find(({ becomes }) => becomes === 'open') ?? tried.find(({ becomes }) => becomes === 'ask');
  return found === undefined || found.becomes === 'shut' ? null : { step: found.step, becomes: found.becomes };
}

/** When one more equal reading would prove it still, so that guard may rest on it; null where one is too few. */
export function provenStillAt(facts: Facts, from: number): number | null {
  const sg = sgNow(facts);
  const found = momentsFor(facts, from).find((at) => {
    const so = afterStep(facts, { deed: 'read', at }, sg);
    const level = levelOf(so);
    return level !== null && isProvenStill(so, level);
  });
  return found ?? null;
}

/** A way of some first steps and the reading that completes it. */
function wayOf(id: Way['id'], facts: Facts, first: readonly Step[], sg: number, from: number): Way | null {
  const found = lastReading(facts, first, sg, Math.max(from, ...first.map(({ at }) => at)));
  return found === null ? null : { id, steps: [...first, found.step], at: found.step.at, becomes: found.becomes, sg };
}

/** A way on which no reading is wanted any more. */
function deedAlone(id: Way['id'], facts: Facts, step: Step, sg: number): Way | null {
  const { verdict } = stillVerdict(afterStep(facts, step, sg));
  return verdict === 'shut' ? null : { id, steps: [step], at: step.at, becomes: verdict, sg };
}

const firstOf = (...tries: (() => Way | null)[]): Way | null => {
  for (const each of tries) {
    const way = each();
    if (way !== null) return way;
  }
  return null;
};

/** Where it stands now, by what was read. */
const sgNow = (facts: Facts): number => {
  const level = levelOf(facts);
  return level === null || level.isUnread ? facts.sg : level.last.sg;
};

/** Nothing to wait for but that it works itself out: it is read again a week on, and a week after that (our estimate of the least). */
const FERMENTS_ON_DAYS = 7;

/**
 * The ways on which still glass opens, each by itself, its steps in their order: waiting with readings, the maker's word, guard.
 * Each was tried on the judgement itself. None where nothing but drinking it, or a keg, is left.
 *
 * @param facts of a mead for which it is shut
 * @param now ms since 1970 UTC
 */
export function waysToGlass(facts: Facts, now: number): Way[] {
  if (facts.pitchedAt === null) return [];
  const sg = sgNow(facts);
  const read = (at: number): Step => ({ deed: 'read', at });
  const [warm, stays, powders]: Step[] = [
    { deed: 'warm', at: now },
    { deed: 'stays', at: now },
    { deed: 'powders', at: now },
  ];
  const nearReads = [now, now + FERMENTS_ON_DAYS * DAY_MS];
  const waiting = firstOf(
    () => wayOf('read', facts, [], sg, now),
    () => wayOf('read', facts, [read(now)], sg, now),
    () => wayOf('warm', facts, [warm as Step, read(now)], sg, now),
    () => wayOf('read', facts, nearReads.map(read), sg, now),
    () => wayOf('warm', facts, [warm as Step, ...nearReads.map(read)], sg, now),
  );
  const word = firstOf(
    () => deedAlone('word', facts, stays as Step, sg),
    () => wayOf('word', facts, [stays as Step], sg, now),
    () => wayOf('word', facts, [stays as Step, read(now)], sg, now),
    () => wayOf('word', facts, [stays as Step, ...nearReads.map(read)], sg, now),
    () => wayOf('word', facts, [warm as Step, stays as Step, ...nearReads.map(read)], sg, now),
  );
  const guard =
    facts.guard !== null
      ? null
      : firstOf(
          () => wayOf('guard', facts, [powders as Step], sg, now),
          () => wayOf('guard', facts, [powders as Step, read(now)], sg, now),
          () => wayOf('guard', facts, [warm as Step, powders as Step, ...nearReads.map(read)], sg, now),
        );
  const later = now + FERMENTS_ON_DAYS * DAY_MS;
  const ferment = waiting === null ? wayOf('ferment', facts, [warm as Step, read(later)], facts.endSg, later) : null;
  /** What brings nothing forward is not asked for. */
  const isOfUse = (way: Way | null): boolean => way !== null && (waiting === null || way.at < waiting.at);
  return [waiting, isOfUse(word) ? word : null, isOfUse(guard) ? guard : null, ferment].filter((way) => way !== null);
}
