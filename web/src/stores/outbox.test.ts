import type { NewEvent } from '@hollow-bell/contract';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useOutbox } from './outbox.ts';

const note = (text: string): NewEvent => ({ id: crypto.randomUUID(), happenedAt: 1, kind: 'note', payload: { text } });
const BATCH = '00000000-0000-4000-8000-000000000001';
let answers: (() => Response)[] = [];
let sent: { afterSeq: number; events: NewEvent[] }[] = [];
const reply = (status: number, body: object) => () => new Response(JSON.stringify(body), { status });
const acknowledge = (lastSeq: number) => reply(200, { lastSeq, events: [], standing: null });

beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  answers = [];
  sent = [];
  vi.useFakeTimers();
  vi.stubGlobal('fetch', (_path: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body) as (typeof sent)[number]);
    const answer = answers.shift();
    return answer === undefined ? Promise.reject(new TypeError('no network')) : Promise.resolve(answer());
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what is on its way to the record', () => {
  it('is kept while nobody answers and sent again, the same, until somebody does', async () => {
    const outbox = useOutbox();
    const event = note('foam');
    await outbox.submit(BATCH, 4, [event], 'foam');
    expect(outbox.parcels).toHaveLength(1);
    expect(outbox.away).toMatch(/does not answer/);
    answers = [reply(503, { code: 'database_away', message: 'away', requestId: 'x' }), acknowledge(5)];
    await vi.advanceTimersByTimeAsync(6000);
    expect(outbox.parcels).toHaveLength(0);
    expect(sent.map(({ events }) => events[0]!.id)).toEqual([event.id, event.id, event.id]);
    expect(outbox.away).toBe('');
  });

  it('goes in order, each behind the one before', async () => {
    const outbox = useOutbox();
    await outbox.submit(BATCH, 4, [note('one')], 'one');
    await outbox.submit(BATCH, 5, [note('two')], 'two');
    answers = [acknowledge(5), acknowledge(6)];
    sent = [];
    await outbox.flush();
    expect(sent.map(({ afterSeq, events }) => [afterSeq, (events[0]!.payload as { text: string }).text])).toEqual([
      [4, 'one'],
      [5, 'two'],
    ]);
  });

  it('waits for the maker where others wrote meanwhile', async () => {
    const outbox = useOutbox();
    answers = [reply(409, { code: 'stale', message: 'meanwhile', since: [{ ...note('theirs'), seq: 5, enteredAt: 1 }], requestId: 'x' })];
    await outbox.submit(BATCH, 4, [note('mine')], 'mine');
    const [parcel] = outbox.parcels;
    expect(parcel!.since).toHaveLength(1);
    answers = [acknowledge(6)];
    await outbox.writeAnyway(parcel!, 5);
    expect(sent.at(-1)!.afterSeq).toBe(5);
    expect(outbox.parcels).toHaveLength(0);
  });

  it('comes back with the sentence where it is refused', async () => {
    const outbox = useOutbox();
    answers = [reply(422, { code: 'bad_input', message: 'There was only 4.90 L.', requestId: 'x' })];
    await outbox.submit(BATCH, 4, [note('racked 20 l')], 'racked 20 l');
    expect(outbox.parcels).toHaveLength(0);
    expect(outbox.refused).toEqual({ batchId: BATCH, sentence: ['There was only 4.90 L.'], typed: 'racked 20 l' });
  });
});
