import { describe, expect, it } from 'vitest';
import { fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { glassCases, momentOfDay, planOf, recordOf } from '../testing/glassCases.ts';
import type { GlassCase } from '../testing/glassCases.ts';
import { judge } from './index.ts';
import type { Judgement } from './index.ts';

/** A day as its history names it is good to an hour and a half; what can be done at once, to the hours of that evening. */
const DAY_SLACK = 1.5 / 24;
const AT_ONCE_DAYS = 0.31;

const judged = ({ ask, ...of }: GlassCase, day = ask.day, more: [number, EventContent][] = []): Judgement =>
  judge(fold(recordOf(of, more)), momentOfDay(day), planOf(ask));

/** All that is said of it. */
const saidIn = ({ why, known, doubt, missing, question, never }: Judgement): string =>
  [why, known, doubt, missing, question, never].map((each) => (each === null ? '' : plainly(each))).join(' ');

describe('histories with their verdict for closed glass', () => {
  const cases = glassCases();

  it.each(cases.map((each) => [each.id, each] as const))('%s', (_id, each) => {
    const found = judged(each);
    expect(found.verdict, `${each.says} (${each.because})`).toBe(each.verdict);
    for (const words of each.mustNotSay ?? []) expect(saidIn(found)).not.toContain(words);
    if (found.verdict !== 'shut') return;
    expect(found.ways.length > 0 || found.never !== null || each.ask.kind !== 'still', 'a deed and a day, or why never').toBe(true);
  });

  it.each(cases.flatMap((each) => (each.opensBy === undefined ? [] : [[each.id, each, each.opensBy] as const])))(
    '%s opens by its deed, on its day and no earlier',
    (_id, each, by) => {
      const way = judged(each).ways.find(({ id, steps }) => steps.length === 1 && id === (by.deed === 'staysHere' ? 'word' : 'read'))!;
      const day = each.ask.day + (way.at - momentOfDay(each.ask.day)) / DAY_MS;
      expect(Math.abs(day - by.day)).toBeLessThanOrEqual(by.day - each.ask.day < AT_ONCE_DAYS ? AT_ONCE_DAYS : DAY_SLACK);
      expect(way.becomes).toBe(by.becomes ?? 'open');
      const deed = (): EventContent =>
        by.deed === 'staysHere'
          ? { kind: 'staysHere', payload: {} }
          : { kind: 'reading', payload: { sg: by.sg!, tempC: 20, calibrationC: 20 } };
      const done = (onDay: number): string => judged(each, onDay, [[onDay, deed()]]).verdict;
      expect(done(by.day)).toBe(by.becomes ?? 'open');
      if (by.deed !== 'staysHere' && by.day - DAY_SLACK > each.ask.day) expect(done(by.day - DAY_SLACK)).not.toBe(by.becomes ?? 'open');
    },
  );
});
