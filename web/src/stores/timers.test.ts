import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useTimers } from './timers.ts';

const bells: { inS: number; isSilenced: boolean }[] = [];
const outside: string[] = [];
vi.mock('../ringing/bell.ts', () => ({
  bellIn: (inS: number) => {
    const bell = { inS, isSilenced: false };
    bells.push(bell);
    return () => {
      bell.isSilenced = true;
    };
  },
}));
vi.mock('../ringing/outside.ts', () => ({ tellOutside: (title: string, body: string) => outside.push(`${title}: ${body}`) }));

const opened = () => {
  setActivePinia(createPinia());
  return useTimers();
};
beforeEach(() => {
  localStorage.clear();
  bells.length = 0;
  outside.length = 0;
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

it('rings on time by the clock on the wall, once, and says so outside the page', async () => {
  const timers = opened();
  timers.start('degas a', 'Degassing A', 180);
  expect(bells).toEqual([{ inS: 180, isSilenced: false }]);
  await vi.advanceTimersByTimeAsync(179_000);
  expect([timers.leftS(timers.timers[0]!), outside]).toEqual([1, []]);
  expect(timers.isRunning).toBe(true);
  await vi.advanceTimersByTimeAsync(1000);
  expect(timers.isRunning).toBe(false);
  await vi.advanceTimersByTimeAsync(60_000);
  expect(outside).toEqual(['Time is up: Degassing A']);
  expect(bells).toHaveLength(1);
});

it('is silenced when it is stopped, and begun anew rings by its new end only', async () => {
  const timers = opened();
  timers.start('soak', 'Corks', 60);
  timers.start('soak', 'Corks', 120);
  expect(bells).toEqual([
    { inS: 60, isSilenced: true },
    { inS: 120, isSilenced: false },
  ]);
  timers.stop('soak');
  expect(bells.every(({ isSilenced }) => isSilenced)).toBe(true);
  await vi.advanceTimersByTimeAsync(200_000);
  expect([timers.timers, outside]).toEqual([[], []]);
});

it('goes on over a page that is opened anew; what was over by then does not ring again', async () => {
  const before = opened();
  before.start('short', 'Short', 10);
  before.start('long', 'Long', 100);
  await vi.advanceTimersByTimeAsync(20_000);
  bells.length = 0;
  outside.length = 0;
  const after = opened();
  expect(after.timers.map((timer) => after.leftS(timer))).toEqual([0, 80]);
  await vi.advanceTimersByTimeAsync(80_000);
  expect(new Set(outside)).toEqual(new Set(['Time is up: Long']));
});
