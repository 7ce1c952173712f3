import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { daysBefore, isDay, momentOf, wallTime } from './index.ts';

afterEach(() => {
  vi.unstubAllEnvs();
});

describe('the clock on the wall', () => {
  it.each([
    ['Europe/Berlin', { year: 2026, month: 10, day: 25 }],
    ['Europe/Berlin', { year: 2026, month: 3, day: 29 }],
    ['America/New_York', { year: 2026, month: 11, day: 1 }],
    ['America/New_York', { year: 2026, month: 3, day: 8 }],
    ['Australia/Lord_Howe', { year: 2026, month: 4, day: 5 }],
    ['Asia/Kolkata', { year: 2026, month: 3, day: 29 }],
  ])('in %s, “yesterday 18:40” typed after the clocks were changed is 18:40 of yesterday', (zone, day) => {
    vi.stubEnv('TZ', zone);
    const typedAt = momentOf({ ...day, day: day.day + 1 }, 9);
    expect(wallTime(daysBefore(typedAt, 1, 18, 40))).toMatchObject({ ...day, hour: 18, minute: 40 });
    expect(wallTime(daysBefore(typedAt, 2, 18, 40))).toMatchObject({ day: wallTime(momentOf({ ...day, day: day.day - 1 })).day, hour: 18 });
  });

  it('of an hour that came twice takes the first, and jumps over one that never came', () => {
    vi.stubEnv('TZ', 'Europe/Berlin');
    const twice = momentOf({ year: 2026, month: 10, day: 25 }, 2, 30);
    expect(twice).toBe(Date.UTC(2026, 9, 25, 0, 30));
    expect(wallTime(momentOf({ year: 2026, month: 3, day: 29 }, 2, 30)).hour).toBe(3);
  });

  it('gives back what it was given, in every zone', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('UTC', 'Europe/Berlin', 'America/St_Johns', 'Pacific/Auckland', 'Asia/Kathmandu'),
        fc.integer({ min: 0, max: 1_900_000 }),
        (zone, halfHours) => {
          vi.stubEnv('TZ', zone);
          const at = Date.UTC(2020, 0, 1) + (halfHours % 100_000) * 1_800_000;
          const { hour, minute, ...day } = wallTime(at);
          const again = momentOf(day, hour, minute);
          expect([0, 1_800_000, 3_600_000]).toContain(Math.abs(again - at));
        },
      ),
      { numRuns: 200, seed: 4 },
    );
  });

  it.each([
    [2026, 2, 29, false],
    [2028, 2, 29, true],
    [2026, 4, 31, false],
    [2026, 12, 31, true],
  ])('knows whether %d-%d-%d is a day', (year, month, day, is) => {
    expect(isDay(year, month, day)).toBe(is);
  });
});
