import type { NewEvent } from '@hollow-bell/contract';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { eventsAt, misdated } from '@hollow-bell/core/record';
import { describe, expect, it } from 'vitest';
import type { Parcel } from './outbox.ts';
import { withPending } from './record.ts';

const START = Date.UTC(2026, 0, 5);
const note = (happenedAt: number): NewEvent => ({ id: crypto.randomUUID(), happenedAt, kind: 'note', payload: { text: 'foam' } });
const parcel = (event: NewEvent): Parcel => ({ batchId: 'a', afterSeq: 1, events: [event], typed: '', since: null });

describe('what is not yet acknowledged', () => {
  it('goes behind what is on record, in the order of writing, and is no sign of a clock that jumped', () => {
    const recorded = eventsAt(START + 9 * DAY_MS, [[0, { kind: 'note', payload: { text: 'quiet' } }]]);
    const [now, late] = [note(START + 10 * DAY_MS), note(START + DAY_MS)];
    const all = withPending(recorded, [parcel(now), parcel(late)]);
    expect(all.map(({ id, seq }) => [id, seq])).toEqual([
      [recorded[0]!.id, 1],
      [now.id, 2],
      [late.id, 3],
    ]);
    expect(misdated(all)).toEqual([]);
  });

  it('is left out while it is held, or another window’s entry is looked at', () => {
    expect(withPending([], [{ ...parcel(note(START)), held: { why: 'x', needsNewIds: false } }])).toEqual([]);
    expect(withPending([], [{ ...parcel(note(START)), since: [] }])).toEqual([]);
  });
});
