import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { ApiFailure } from '../api/client.ts';
import { useKept } from './kept.ts';

const practice = { what: 'practice', practice: DEFAULT_PRACTICE } as const;
let answers: (() => Promise<Response>)[] = [];
let sent: string[] = [];
const reply = (status: number, body: object) => () => Promise.resolve(new Response(JSON.stringify(body), { status }));
const onDisk = (): unknown[] => JSON.parse(localStorage.getItem('hollow-bell-kept') ?? '[]') as unknown[];

beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  [answers, sent] = [[], []];
  vi.useFakeTimers();
  vi.stubGlobal('fetch', (path: string) => {
    sent.push(path);
    return answers.shift()?.() ?? Promise.reject(new TypeError('no network'));
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a plan, a lot or a setting on its way', () => {
  it('is kept before it is sent, so that a page that is left at once loses nothing', async () => {
    answers = [() => new Promise(() => undefined)];
    void useKept().write(practice);
    await nextTick();
    expect(onDisk()).toHaveLength(1);
    setActivePinia(createPinia());
    answers = [reply(200, { practice: DEFAULT_PRACTICE })];
    await useKept().flush();
    await nextTick();
    expect(sent).toHaveLength(2);
    expect(onDisk()).toEqual([]);
  });

  it('is sent again by itself where nobody answered, and the maker hears of it', async () => {
    const kept = useKept();
    await expect(kept.write(practice)).rejects.toThrow(ApiFailure);
    expect(kept.waiting).toEqual(['the house’s settings']);
    answers = [reply(200, { practice: DEFAULT_PRACTICE })];
    await vi.advanceTimersByTimeAsync(3000);
    expect(kept.waiting).toEqual([]);
    expect(sent).toHaveLength(2);
  });

  it('that is refused is told and not sent again', async () => {
    const kept = useKept();
    answers = [reply(422, { code: 'bad_input', message: 'A room of 200 °C is none.' })];
    await expect(kept.write(practice)).rejects.toThrow('A room of 200 °C is none.');
    expect(kept.waiting).toEqual([]);
    await vi.advanceTimersByTimeAsync(10_000);
    expect(sent).toHaveLength(1);
  });

  it('left behind and refused later, says what was lost', async () => {
    const kept = useKept();
    await expect(kept.write(practice)).rejects.toThrow(ApiFailure);
    answers = [reply(409, { code: 'stale', message: 'Another window changed it.' })];
    await vi.advanceTimersByTimeAsync(3000);
    expect(kept.lost).toEqual({ what: 'the house’s settings', sentence: 'Another window changed it.' });
  });
});
