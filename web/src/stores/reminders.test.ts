import type { Standing } from '@hollow-bell/contract';
import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useReminders } from './reminders.ts';
import { useRounds } from './rounds.ts';

const outside: string[] = [];
let allowed = 'granted';
let asks: { key: string; bell: string; sentence: string[] }[] = [];
vi.mock('../ringing/outside.ts', () => ({
  REMINDS: 'reminds',
  askForOutside: () => Promise.resolve(allowed),
  tellOutside: (title: string, body: string) => outside.push(`${title}: ${body}`),
}));
vi.mock('../api/client.ts', () => ({
  api: { rounds: () => Promise.resolve({ standing: [{ id: 'a', name: 'Borage', asks }] as unknown as Standing[] }) },
}));

beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  outside.length = 0;
  allowed = 'granted';
  asks = [{ key: 'read', bell: 'swinging', sentence: ['Read it.'] }];
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

it('says once what begins to ask, not what asked already nor what only waits', async () => {
  const reminders = useReminders();
  await reminders.turn(true);
  await flushPromises();
  expect(outside).toEqual([]);
  asks = [...asks, { key: 'feed', bell: 'swinging', sentence: ['Dose 2 now.'] }, { key: 'rack', bell: 'muffled', sentence: ['Later.'] }];
  await vi.advanceTimersByTimeAsync(11 * 60_000);
  expect(outside).toEqual(['Borage: Dose 2 now.']);
  asks = asks.map((ask) => (ask.key === 'rack' ? { ...ask, bell: 'cracked' } : ask));
  await vi.advanceTimersByTimeAsync(5 * 60_000);
  expect(outside).toEqual(['Borage: Dose 2 now.', 'Borage: Later.']);
});

it('stays off where the browser does not allow it, and asks no more once it is turned off', async () => {
  const reminders = useReminders();
  allowed = 'denied';
  await reminders.turn(true);
  expect(reminders.isOn).toBe(false);
  allowed = 'granted';
  await reminders.turn(true);
  await reminders.turn(false);
  asks = [...asks, { key: 'feed', bell: 'swinging', sentence: ['Dose 2 now.'] }];
  await useRounds().load();
  await vi.advanceTimersByTimeAsync(10 * 60_000);
  expect(outside).toEqual([]);
});
