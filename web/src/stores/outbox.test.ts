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

  it('waits on where the answer breaks off half-way, as when the page is left meanwhile', async () => {
    const outbox = useOutbox();
    const brokenOff = new ReadableStream({
      start: (stream) => {
        stream.enqueue(new TextEncoder().encode('{"lastSeq": 5, '));
        stream.error(new TypeError('network error'));
      },
    });
    answers = [() => new Response(brokenOff, { status: 200 }), acknowledge(5)];
    await outbox.submit(BATCH, 4, [note('foam')], 'foam');
    expect(outbox.held).toBeNull();
    expect(outbox.parcels).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(3000);
    expect(outbox.parcels).toHaveLength(0);
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

  it.each(['internal', 'id_taken', 'not_allowed'])(
    'stays where the answer is no judgement of it (%s), until the maker decides',
    async (code) => {
      const outbox = useOutbox();
      answers = [reply(500, { code, message: 'That went wrong.', requestId: 'x' })];
      const first = note('foam');
      const correction: NewEvent = { ...note(''), kind: 'amendment', payload: { eventId: first.id, replacement: null } };
      await outbox.submit(BATCH, 4, [first, correction], 'foam');
      expect(outbox.refused).toBeNull();
      expect(outbox.held).toMatchObject({ typed: 'foam', held: { why: 'That went wrong.' } });
      await vi.advanceTimersByTimeAsync(60_000);
      expect(sent).toHaveLength(1);
      answers = [acknowledge(6)];
      await outbox.sendHeld(outbox.held!);
      expect(outbox.parcels).toHaveLength(0);
      const [again, corrected] = sent[1]!.events;
      expect(again!.id === first.id).toBe(code !== 'id_taken');
      expect(corrected!.payload).toEqual({ eventId: again!.id, replacement: null });
    },
  );

  it('does not hold up what was written after it', async () => {
    const outbox = useOutbox();
    answers = [reply(500, { code: 'internal', message: 'That went wrong.', requestId: 'x' }), acknowledge(5)];
    await outbox.submit(BATCH, 4, [note('one')], 'one');
    await outbox.submit(BATCH, 4, [note('two')], 'two');
    expect(outbox.parcels.map(({ typed }) => typed)).toEqual(['one']);
  });

  it('waits for whoever was signed out, or found the disk full, and is told why', async () => {
    const outbox = useOutbox();
    answers = [reply(503, { code: 'disk_full', message: 'The disk is full.', requestId: 'x' })];
    await outbox.submit(BATCH, 4, [note('foam')], 'foam');
    expect(outbox.away).toBe('The disk is full.');
    answers = [reply(401, { code: 'signed_out', message: 'Sign in again.', requestId: 'x' }), acknowledge(5)];
    await vi.advanceTimersByTimeAsync(3000);
    expect(outbox.away).toBe('Sign in again.');
    await vi.advanceTimersByTimeAsync(3000);
    expect(outbox.parcels).toHaveLength(0);
  });

  it('can be taken out before anybody has it, and what stands behind it moves up', async () => {
    const outbox = useOutbox();
    await outbox.submit(BATCH, 4, [note('one'), note('of two')], 'one');
    await outbox.submit(BATCH, 6, [note('behind it')], 'behind');
    await outbox.submit('00000000-0000-4000-8000-000000000002', 9, [note('elsewhere')], 'elsewhere');
    outbox.takeOut(outbox.parcels[0]!);
    expect(outbox.parcels.map(({ typed, afterSeq }) => [typed, afterSeq])).toEqual([
      ['behind', 4],
      ['elsewhere', 9],
    ]);
  });
});
