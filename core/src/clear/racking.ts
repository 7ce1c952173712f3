import { DAY_MS, gravity, mm, say, when } from '../quantities/index.ts';
import type { Ranged, Sentence } from '../quantities/index.ts';
import { mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { finishOf } from '../glass/index.ts';
import { FIRST_AT_SG } from './schools.ts';
import type { RackSchool } from './schools.ts';

/** Lees may reach 10 to 12 mm (trade practice). */
const LEES_MM = { may: 10, most: 12 } as const;
/** Young mead on its gross lees longer than this tastes of them (our estimate). */
const GROSS_LEES_DAYS = 28;
/** While lees gather, every six to eight weeks, until it is clear (trade practice). */
const AGAIN_DAYS = { least: 42, most: 56 } as const;
/** Oxygen that a quiet siphon takes up, mg/L (our estimate; splashing takes several times as much). */
export const RACKING_OXYGEN_MG_PER_L: Ranged = { value: 1.5, low: 0.5, high: 4 };

export interface RackAdvice {
  /** `none`: nothing but habit asks for it. */
  asks: 'now' | 'soon' | 'none';
  sentence: Sentence;
  /** When it is or becomes due; null where only the eye tells. */
  dueAt: number | null;
  /** Rackings so far. */
  count: number;
  /** What they have cost together. */
  oxygenMgPerL: Ranged;
}

/** A racking that is to come: when, and what for. */
export interface RackingAhead {
  from: number;
  to: number;
  why: Sentence;
}

/** The rackings that are still to come by the two or three that makers do; earlier or later by what the lees say. @param now ms since 1970 UTC */
export function rackingsAhead(ledger: Ledger, now: number, school: RackSchool = 'at dryness'): RackingAhead[] {
  const advice = rackAdvice(ledger, now, school);
  if (advice === null || advice.count > MOST_RACKINGS - 1) return [];
  const firstAt = Math.max(now, advice.dueAt ?? now);
  const next: RackingAhead[] =
    advice.asks === 'none' ? [] : [{ from: firstAt, to: Math.max(firstAt, advice.dueAt ?? now), why: advice.sentence }];
  const basis = next[0]?.to ?? ledger.history.rackedAt;
  const isClear = (ledger.history.marks.clear ?? -1) >= (ledger.history.marks.hazy ?? 0);
  if (basis === null || isClear || advice.count + next.length >= MOST_RACKINGS) return next;
  return [
    ...next,
    {
      from: basis + AGAIN_DAYS.least * DAY_MS,
      to: basis + AGAIN_DAYS.most * DAY_MS,
      why: say`Off what gathers, or at ${mm(LEES_MM.may)} of lees; not once it is clear.`,
    },
  ];
}
/** Two or three (trade practice); each costs oxygen. */
const MOST_RACKINGS = 3;

const times = (range: Ranged, count: number): Ranged => ({ value: range.value * count, low: range.low * count, high: range.high * count });

/** Whether it wants racking, and why. @param now ms since 1970 UTC; null before the pitch or for an empty vessel */
export function rackAdvice(ledger: Ledger, now: number, school: RackSchool = 'at dryness'): RackAdvice | null {
  const { pitch, lees, rackedAt, losses, marks } = ledger.history;
  const mixed = mixedOf(ledger);
  if (pitch === null || mixed === null) return null;
  const count = losses.filter(({ why }) => why === 'racking').length;
  const known = { count, oxygenMgPerL: times(RACKING_OXYGEN_MG_PER_L, count) };
  const advice = (asks: RackAdvice['asks'], dueAt: number | null, sentence: Sentence): RackAdvice => ({ asks, dueAt, sentence, ...known });
  const since = rackedAt ?? pitch.at;
  const last = lees.findLast(({ at }) => at > since);
  const isFinished = finishOf(ledger).state === 'finished';
  const isClear = marks.clear !== undefined && marks.clear >= (marks.hazy ?? 0);
  if (last !== undefined && last.mm > LEES_MM.most)
    return advice(
      'now',
      last.at,
      say`The lees stand ${mm(last.mm)} high, past the ${mm(LEES_MM.may)} to ${mm(LEES_MM.most)} that they may reach.`,
    );
  if (count === 0 && school === 'at 1.010' && mixed.sg <= FIRST_AT_SG && !isFinished)
    return advice(
      'now',
      now,
      say`At ${gravity(mixed.sg)}: by the school of ${gravity(FIRST_AT_SG)} it is racked now, so that the new vessel finishes under its own gas.`,
    );
  if (count === 0 && isFinished) {
    const dueAt = pitch.at + GROSS_LEES_DAYS * DAY_MS;
    return now >= dueAt
      ? advice('now', dueAt, say`It is finished and has stood on its first lees since ${when(pitch.at)}.`)
      : advice('soon', dueAt, say`It is finished; its first lees may lie until ${when(dueAt)}.`);
  }
  if (last !== undefined && last.mm >= LEES_MM.may)
    return advice('soon', last.at, say`The lees stand ${mm(last.mm)} high; at ${mm(LEES_MM.most)} it wants racking.`);
  if (count > 0 && rackedAt !== null && !isClear && last !== undefined && last.mm > 0) {
    const dueAt = rackedAt + AGAIN_DAYS.most * DAY_MS;
    return now >= dueAt
      ? advice('now', dueAt, say`Lees have gathered since ${when(rackedAt)}, and it is not clear yet.`)
      : advice(
          'soon',
          dueAt,
          say`While lees gather: again between ${when(rackedAt + AGAIN_DAYS.least * DAY_MS)} and ${when(dueAt)}, or once clear.`,
        );
  }
  return advice(
    'none',
    null,
    count === 0
      ? say`It still works: nothing asks for a racking yet.`
      : say`Nothing but habit asks for a racking: each costs oxygen and some mead.`,
  );
}
