import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { BatchRecord } from '@hollow-bell/contract';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import { eventsAt } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useOutbox } from './outbox.ts';
import { useRecord } from './record.ts';
import { useWriting } from './writing.ts';
import { useWrote } from './wrote.ts';

const ID = '00000000-0000-4000-8000-000000000001';
const OTHER = '00000000-0000-4000-8000-000000000002';
const NOW = Date.UTC(2026, 10, 27, 9);
const plan = { must: planOf([plannedHoney('linden', 1500)], 4), practice: DEFAULT_PRACTICE };
const record = (id: string): BatchRecord => ({
  id,
  name: 'Linden',
  createdAt: NOW,
  lastSeq: 2,
  planVersion: 1,
  plan,
  float: [],
  probe: [],
  events: eventsAt(NOW - 36e5, [
    [0, { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: 0.17, unfermentable: 0.03 } }],
    [0, { kind: 'water', payload: { volumeL: 4 } }],
  ]),
});
const note: EventContent = { kind: 'note', payload: { text: 'rain' } };
const never = (): Promise<Response> => new Promise(() => undefined);

let asked: string[] = [];
let answer: (path: string) => Promise<Response> = never;
beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  vi.useFakeTimers({ now: NOW });
  asked = [];
  answer = never;
  vi.stubGlobal('fetch', (path: string) => {
    asked.push(path);
    return answer(path);
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what is written into a batch', () => {
  it('is kept at once where the batch is open, whatever the server does', async () => {
    useRecord().batch = record(ID);
    void useWriting().write(ID, [note], 'rain', { isSure: true });
    await nextTick();
    expect(
      useOutbox()
        .of(ID)
        .map(({ typed, afterSeq }) => [typed, afterSeq]),
    ).toEqual([['rain', 2]]);
  });

  it('needs no open batch: its record is fetched, judged, and the entry sent behind it', async () => {
    const answers: Record<string, object> = { [`/api/batches/${OTHER}?ledger=false`]: record(OTHER), '/api/shelf': { items: [] } };
    const written = { lastSeq: 3, events: [], standing: null };
    answer = (path) => Promise.resolve(new Response(JSON.stringify(answers[path] ?? written), { status: 200 }));
    expect(await useWriting().write(OTHER, [note], 'rain')).toBe(true);
    expect(asked).toContain(`/api/batches/${OTHER}/events`);
    expect(useOutbox().parcels).toEqual([]);
    expect(useWrote().last).toMatchObject({ batchId: OTHER, told: 'rain' });
    await expect(useWriting().write(OTHER, [{ kind: 'rack', payload: { volumeL: 90 } }], 'racked')).rejects.toThrow(/cannot be racked/);
  });

  it('wants an answer first where a careful friend would ask, and is left out where that is no', async () => {
    useRecord().batch = record(ID);
    const wet: EventContent = { kind: 'note', payload: { text: 'mold', mark: 'mold' } };
    const done = useWriting().write(ID, [wet], 'mold');
    await nextTick();
    expect(useWrote().doubted?.sentences).toHaveLength(1);
    useWrote().answer(false);
    expect(await done).toBe(false);
    expect(useOutbox().parcels).toEqual([]);
  });
});
