import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const kept = new Map<string, unknown>();
vi.mock('idb-keyval', () => ({
  createStore: () => 'store',
  get: (key: string) => Promise.resolve(kept.get(key)),
  set: (key: string, value: unknown) => Promise.resolve(kept.set(key, value)),
  update: (key: string, change: (value: unknown) => unknown) => Promise.resolve(kept.set(key, change(kept.get(key)))),
  clear: () => {
    kept.clear();
    return Promise.resolve();
  },
}));
const { ApiFailure, api } = await import('./client.ts');
const { nothingStale, seenSince } = await import('./lastSeen.ts');

const BATCH = '00000000-0000-4000-8000-000000000001';
const note = (id: string, seq: number) => ({
  id: `00000000-0000-4000-8000-00000000000${id}`,
  seq,
  happenedAt: 1_700_000_000_000,
  enteredAt: 1_700_000_000_000,
  version: 1,
  kind: 'note' as const,
  payload: { text: `note ${id}` },
});
let answers: (Response | null)[] = [];
const says = (body: object, status = 200): Response => new Response(JSON.stringify(body), { status });
const failure = async (asked: Promise<unknown>): Promise<unknown> => asked.then(() => null).catch((error: unknown) => error);

beforeEach(() => {
  kept.clear();
  answers = [];
  nothingStale();
  vi.useFakeTimers({ now: 1_700_000_100_000 });
  vi.stubGlobal('indexedDB', {});
  vi.stubGlobal('fetch', () => {
    const answer = answers.shift();
    return answer === null || answer === undefined ? Promise.reject(new TypeError('no network')) : Promise.resolve(answer);
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what was last seen', () => {
  it('is shown where nobody answers, with its age, until somebody does', async () => {
    answers = [says({ standing: [] }), null, says({ standing: [] })];
    const first = await api.rounds();
    expect(seenSince.value).toBeNull();
    vi.setSystemTime(1_700_000_900_000);
    expect(await api.rounds()).toEqual(first);
    expect(seenSince.value).toBe(1_700_000_100_000);
    await api.rounds();
    expect(seenSince.value).toBeNull();
  });

  it('is not shown in place of a refusal, nor where nothing was seen', async () => {
    answers = [says({ standing: [] }), says({ code: 'bad_input', message: 'no', requestId: 'x' }, 400), null, null];
    await api.rounds();
    expect(await failure(api.rounds())).toMatchObject({ code: 'bad_input' });
    expect(await failure(api.shelf())).toBeInstanceOf(ApiFailure);
    expect(seenSince.value).toBeNull();
  });

  it('is forgotten on a device that is not let in any more', async () => {
    answers = [says({ standing: [] }), says({ code: 'signed_out', message: 'out', requestId: 'x' }, 401)];
    await api.rounds();
    expect(kept.size).toBe(1);
    await failure(api.rounds());
    await vi.waitFor(() => expect(kept.size).toBe(0));
  });

  it('holds what was written since, in its place and once', async () => {
    const address = `/api/batches/${BATCH}?ledger=false`;
    kept.set(address, { at: 1, answer: { id: BATCH, lastSeq: 1, events: [note('2', 1)] } });
    answers = [says({ lastSeq: 2, events: [note('2', 1), note('3', 2)], standing: null })];
    await api.append(BATCH, 1, []);
    await vi.waitFor(() =>
      expect(kept.get(address)).toMatchObject({
        answer: { lastSeq: 2, events: [{ payload: { text: 'note 2' } }, { payload: { text: 'note 3' } }] },
      }),
    );
  });

  it('stays as it was where others wrote between', async () => {
    const address = `/api/batches/${BATCH}?ledger=false`;
    const seen = { at: 1, answer: { id: BATCH, lastSeq: 1, events: [note('2', 1)] } };
    kept.set(address, seen);
    answers = [says({ lastSeq: 4, events: [note('4', 4)], standing: null })];
    await api.append(BATCH, 3, []);
    await vi.advanceTimersByTimeAsync(0);
    expect(kept.get(address)).toEqual(seen);
  });

  it('of one address stays old while others answer', async () => {
    answers = [says({ standing: [] }), null, says({ items: [] })];
    await api.rounds();
    await api.rounds();
    await api.shelf();
    expect(seenSince.value).not.toBeNull();
  });
});
