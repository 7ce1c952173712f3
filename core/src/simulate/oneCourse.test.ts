import { describe, expect, it } from 'vitest';
import { expectedAt } from '../course/index.ts';
import { courseOf, feedingNow, feedingPlanOf, nitrogenStaircase } from '../feed/index.ts';
import type { FeedingPractice } from '../feed/index.ts';
import { HOUR_MS, plainly } from '../quantities/index.ts';
import { fold } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { asksOf, calendarOf } from '../rounds/index.ts';
import { EXAMPLE_PRACTICE, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { readingGapH } from '../watch/index.ts';
import { THIRD_BREAK, TOO_LATE_SHARE } from '../yeast/index.ts';
import { stallCases } from './stalls.ts';

/** Every simulated batch as it stood after each of its first readings. */
const stood = stallCases(5).flatMap(({ id, played: { events } }) =>
  events
    .flatMap((event, i) => (event.kind === 'reading' ? [i] : []))
    .slice(0, 6)
    .map((i): [string, Ledger] => [`${id}, entry ${i}`, fold(events.slice(0, i + 1))]),
);
const bySugar: FeedingPractice = { ...EXAMPLE_PRACTICE, school: 'gravity' };

describe.each([
  ['by the clock', EXAMPLE_PRACTICE],
  ['by the sugar', bySugar],
])('one course, fed %s', (_name, practice) => {
  const each = (check: (ledger: Ledger, at: number, name: string) => void): void => {
    for (const [name, ledger] of stood) if (ledger.history.pitch !== null) check(ledger, ledger.history.lastEventAt!, name);
  };

  it('gives the drawing on Feed and the figures on Watch the same break and the same half', () =>
    each((ledger, now, name) => {
      const plan = feedingPlanOf(ledger, practice)!;
      const course = courseOf(plan, ledger)!;
      const drawn = nitrogenStaircase(plan, feedingNow(plan, ledger, now), ledger, now)!;
      const marks = [
        [drawn.thirdBreak, THIRD_BREAK],
        [drawn.half, TOO_LATE_SHARE],
      ] as const;
      for (const [mark, share] of marks)
        if (course.share < share) expect(course.pitchedAt + mark.hour * HOUR_MS, name).toBe(expectedAt(course, share));
    }));

  it('gives Feed, Rounds and the calendar the same hour for the next dose', () =>
    each((ledger, now, name) => {
      const plan = feedingPlanOf(ledger, practice)!;
      const next = feedingNow(plan, ledger, now).doses.find(({ state }) => state === 'due' || state === 'ahead');
      const inCalendar = calendarOf(ledger, plan, now).find(({ id }) => id === `dose ${next?.dose.number}`);
      if (next === undefined || inCalendar === undefined) return;
      expect(inCalendar.at, name).toBe(next.expectedAt);
      const ask = asksOf(ledger, plan, now).find(({ kind, bell }) => kind === 'dose' && bell === 'muffled');
      if (ask !== undefined && ask.dueAt > now) expect(ask.dueAt, name).toBe(next.expectedAt);
    }));

  it('says in words the day that is drawn', () =>
    each((ledger, now, name) => {
      const plan = feedingPlanOf(ledger, practice)!;
      const course = courseOf(plan, ledger)!;
      const told = feedingNow(plan, ledger, now).changes.filter((sentence) => plainly(sentence).includes('third of the sugar is gone'));
      for (const part of told.flat())
        if (typeof part !== 'string' && part.kind === 'when') expect(part.value, name).toBe(expectedAt(course, THIRD_BREAK));
    }));

  it('asks for readings the sooner the sooner the next eighth of the sugar goes', () =>
    each((ledger, _now, name) => {
      const course = courseOf(feedingPlanOf(ledger, practice)!, ledger)!;
      const gap = readingGapH(course);
      if (course.isMeasured && gap > 36 && gap < 168)
        expect(course.at + gap * HOUR_MS, name).toBeCloseTo(expectedAt(course, course.share + 0.12), -3);
    }));
});

describe('a course', () => {
  it('begins at its last reading, or says that it misses it', () => {
    let missed = 0;
    for (const [name, ledger] of stood) {
      const plan = feedingPlanOf(ledger, bySugar);
      const course = plan === null ? null : courseOf(plan, ledger);
      if (course === null || course.share === 0) continue;
      const there = course.line.findLast(({ at }) => at <= course.at)!;
      if (course.forecast.missesLast) missed++;
      else expect(Math.abs(there.middle - course.share), name).toBeLessThan(0.06);
    }
    expect(missed).toBeLessThan(0.1 * stood.length);
  });

  it('keeps up with a must that falls far faster than is usual', () => {
    const sgs = [1.0715, 1.05, 1.0265];
    const ledger = exampleBatch(
      'allround',
      ...sgs.map((sg, i): Happening => [30 + 14 * i, { kind: 'reading', payload: { sg, tempC: 20 } }]),
    );
    const course = courseOf(feedingPlanOf(ledger, bySugar)!, ledger)!;
    const later = course.line.find(({ at }) => at >= course.at + 72 * HOUR_MS)!;
    expect(later.middle).toBeGreaterThan(course.share);
    expect(course.forecast.stickProbability).toBeLessThan(0.5);
  });

  it('is the same however often it is asked for, and whatever the clock says', () => {
    const [, ledger] = stood[3]!;
    const plan = feedingPlanOf(ledger, bySugar)!;
    const again = fold(stallCases(5)[0]!.played.events.slice(0, 1));
    expect(courseOf(plan, ledger)).toBe(courseOf(feedingPlanOf(ledger, bySugar)!, ledger));
    expect(courseOf(plan, { ...ledger })).toEqual(courseOf(plan, ledger));
    expect(feedingPlanOf(again, bySugar)).toBeNull();
  });
});
