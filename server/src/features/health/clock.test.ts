import { CLOCK_SLACK_MS } from '@hollow-bell/core/record';
import { describe, expect, it } from 'vitest';
import { clockWatch } from './clock.ts';

describe('the clock of the machine', () => {
  it.each([
    ['a day that passed, awake or asleep', 86_400_000, 86_400_000, 0],
    ['as far as clocks may differ', CLOCK_SLACK_MS, 0, 0],
    ['a second further', CLOCK_SLACK_MS + 1000, 0, CLOCK_SLACK_MS + 1000],
    ['a month forward', 30 * 86_400_000 + 60_000, 60_000, 30 * 86_400_000],
    ['an hour back', -3_600_000, 0, -3_600_000],
  ])('%s: on the wall %i ms, since it started %i ms, moved by %i ms', (_, wallMs, passedMs, movedMs) => {
    let [now, uptime] = [Date.UTC(2026, 5, 15), 5000];
    const clock = clockWatch(
      () => now,
      () => uptime,
    );
    now += wallMs;
    uptime += passedMs;
    expect(clock.movedMs()).toBe(movedMs);
  });
});
