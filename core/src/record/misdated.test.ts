import { describe, expect, it } from 'vitest';
import { checkEvents } from '../check/index.ts';
import { judge } from '../glass/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../quantities/index.ts';
import { honey, water, yeast } from '../testing/examples.ts';
import { eventsAt } from './build.ts';
import { CLOCK_SLACK_MS, fold, misdated } from './index.ts';
import type { BatchEvent, EventContent } from './index.ts';

const START = Date.UTC(2026, 0, 5, 9);
const sg = (value: number): EventContent => ({ kind: 'reading', payload: { sg: value, tempC: 20, calibrationC: 20 } });
/** Dry, and still for as long as the dates say. */
const dry = eventsAt(START, [
  [0, honey(1200)],
  [0, water(4)],
  [1, yeast],
  [40 * 24, sg(0.996)],
  [50 * 24, sg(0.996)],
]);
const written = (event: EventContent, seq: number, happenedAt: number, enteredAt = happenedAt): BatchEvent => ({
  ...event,
  id: `00000000-0000-4000-8000-1${String(seq).padStart(11, '0')}`,
  seq,
  happenedAt,
  enteredAt,
});
const END = START + 50 * DAY_MS;
const isShut = (events: BatchEvent[], at: number): boolean =>
  judge(fold(events.filter(({ happenedAt }) => happenedAt <= at)), at).verdict === 'shut';

describe('a clock that jumped', () => {
  const ahead = written(sg(0.996), 6, END + 30 * DAY_MS);
  const after = written({ kind: 'note', payload: { text: 'quiet' } }, 7, END + HOUR_MS);

  it('is told by what was dated after entries that were written later', () => {
    expect(misdated([...dry, ahead])).toEqual([]);
    expect(misdated([...dry, ahead, after])).toEqual([ahead]);
    expect(misdated([...dry, after])).toEqual([]);
  });

  it.each([
    ['as far as clocks may differ', CLOCK_SLACK_MS, 0],
    ['a minute more', CLOCK_SLACK_MS + MINUTE_MS, 1],
  ])('%s', (_, byMs, count) => {
    const early = written(sg(0.996), 6, END + byMs);
    expect(misdated([...dry, early, written({ kind: 'note', payload: { text: 'x' } }, 7, END)])).toHaveLength(count);
  });

  it('proves nothing by readings either side of it, and does once the date is corrected', () => {
    const now = END + 31 * DAY_MS;
    const record = [...dry, ahead, after];
    expect(isShut([...dry, ahead], now), 'what nobody can know').toBe(false);
    expect(isShut(record, now)).toBe(true);
    const replacement = { ...sg(0.996), happenedAt: END + HOUR_MS };
    const fixed = written({ kind: 'amendment', payload: { eventId: ahead.id, replacement } } as EventContent, 8, END + 2 * HOUR_MS);
    expect(misdated([...record, fixed])).toEqual([]);
    expect(isShut([...record, fixed], now), 'an hour more is no month').toBe(true);
    const later = written(sg(0.996), 9, END + 30 * DAY_MS);
    expect(isShut([...record, fixed, later], now)).toBe(false);
  });

  it('says that it stands before what is on record', () => {
    const note = { kind: 'note', payload: { text: 'foam' }, id: 'n', happenedAt: END + DAY_MS } as const;
    expect(() => checkEvents([...dry, ahead], [note], END)).toThrow(/stands before what was written already/);
    expect(() => checkEvents(dry, [note], END)).toThrow(/lies in the future; write down/);
  });
});
