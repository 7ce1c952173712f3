import { describe, expect, it } from 'vitest';
import { DAY_MS } from '../../quantities/index.ts';
import { point } from '../../testing/readingPoint.ts';
import { MOVES_AGAIN, STANDS, isStand, standingOf } from './standing.ts';
import type { Before } from './standing.ts';

const before: Before = { startAt: 0, startSg: 1.1, endSg: 0.996, curedAt: null };
/** Five points a day over eight days, to 1.060. */
const FELL = [2, 4, 6, 8].map((day) => point(day, 1.1 - 0.005 * day));
const after = (...more: [day: number, sg: number][]) => [...FELL, ...more.map(([day, sg]) => point(8 + day, sg))];
const stands = (more: [number, number][], { hadBlow = false, ...over }: Partial<Before> & { hadBlow?: boolean } = {}) =>
  standingOf(after(...more), { ...before, ...over }, hadBlow);

describe('whether a must stands', () => {
  it.each<[string, [number, number][], boolean]>([
    ['on the day of its last fall', [[0.3, 1.06]], false],
    [
      'level for two days, by three',
      [
        [1, 1.06],
        [2, 1.06],
      ],
      true,
    ],
    [
      'level for a day and a half',
      [
        [0.7, 1.06],
        [1.5, 1.06],
      ],
      false,
    ],
    [
      'falling on at half its pace',
      [
        [1, 1.0575],
        [2, 1.055],
        [3, 1.0525],
      ],
      false,
    ],
    [
      'falling on at its pace',
      [
        [1, 1.055],
        [2, 1.05],
        [3, 1.045],
      ],
      false,
    ],
    [
      'level for four days with a scatter of two points',
      [
        [1, 1.061],
        [2, 1.059],
        [3, 1.0605],
        [4, 1.0595],
      ],
      true,
    ],
    [
      'level but for one slip',
      [
        [1, 1.06],
        [2, 1.0655],
        [3, 1.06],
        [4, 1.06],
      ],
      true,
    ],
  ])('%s', (_name, more, isHeld) => {
    expect(stands(more).isHeld).toBe(isHeld);
  });

  it('is called sooner where a blow was seen', () => {
    const aDay: [number, number][] = [
      [0.6, 1.06],
      [1.2, 1.06],
    ];
    expect([stands(aDay).isHeld, stands(aDay, { hadBlow: true }).isHeld]).toEqual([false, true]);
  });

  it('counts from where it stopped, and not from where one reading scattered', () => {
    expect(
      stands([
        [1, 1.06],
        [2, 1.0605],
        [3, 1.063],
        [4, 1.06],
        [5, 1.0598],
      ]).since.at,
    ).toBe(8 * DAY_MS);
  });

  it('is no matter for a must that goes slowly by itself: what it should have fallen is too little to be missed', () => {
    const slow = [2, 6, 10, 14, 18].map((day) => point(day, 1.02 - 0.0006 * day));
    const { isHeld } = standingOf([...slow, point(21, 1.0085)], { ...before, startSg: 1.021 }, false);
    expect(isHeld).toBe(false);
  });

  it('is taken back by a fall and by nothing else', () => {
    const stood: [number, number][] = [
      [1, 1.06],
      [2, 1.06],
      [3, 1.06],
    ];
    const fallen = (bySg: number, ...then: [number, number][]) => stands([...stood, [4, 1.06 - bySg], ...then]).isHeld;
    expect([fallen(MOVES_AGAIN.onceSg - 0.0002), fallen(MOVES_AGAIN.onceSg + 0.0002)]).toEqual([true, false]);
    const creeping = (...belowSg: number[]) => stands([...stood, ...belowSg.map((sg, i): [number, number] => [4 + i, 1.06 - sg])]).isHeld;
    const { twiceSg } = MOVES_AGAIN;
    expect(creeping(0.0012, 0.0024, 0.0036, twiceSg - 0.0002)).toBe(true);
    expect(creeping(0.0012, 0.0024, 0.0036, twiceSg + 0.0006, twiceSg + 0.0018, twiceSg + 0.003)).toBe(false);
    expect(creeping(0.0075, twiceSg + 0.0002), 'two that do not agree').toBe(true);
    const cured = (bySg: number) => stands([...stood, [5, 1.06 - bySg]], { curedAt: 11.5 * DAY_MS }).isHeld;
    expect([cured(MOVES_AGAIN.curedSg - 0.0002), cured(MOVES_AGAIN.curedSg + 0.0002)]).toEqual([true, false]);
    expect(fallen(0.001, [5, 1.0605], [6, 1.061])).toBe(true);
  });

  it.each([
    [STANDS.share - 0.01, STANDS.days, false, true],
    [STANDS.share + 0.01, STANDS.days, false, false],
    [STANDS.share - 0.01, STANDS.days - 0.01, false, false],
    [STANDS.soonShare - 0.01, STANDS.soonDays, false, true],
    [STANDS.soonShare - 0.01, STANDS.soonDays - 0.01, false, false],
    [STANDS.soonShare + 0.01, STANDS.soonDays, false, false],
    [STANDS.blowShare - 0.01, STANDS.blowDays, true, true],
    [STANDS.blowShare + 0.01, STANDS.blowDays, true, false],
    [STANDS.blowShare - 0.01, STANDS.blowDays - 0.01, true, false],
  ])('moved by %f of what it should in %f days, blow %s: %s', (movedShare, days, hadBlow, is) => {
    expect(isStand({ movedShare, days, hasBegun: true }, hadBlow)).toBe(is);
  });

  it('takes back no stand for low readings of what never began, only because the ones before lay above its beginning', () => {
    const readings = [4, 5, 6, 7, 8, 9].map((day) => point(day, 1.1025));
    const held = (...lowSg: number[]) => standingOf([...readings, ...lowSg.map((sg, i) => point(10 + i, sg))], before, false).isHeld;
    expect(held(1.0975, 1.0965)).toBe(true);
    expect(held(1.0955, 1.093, 1.0905, 1.088)).toBe(false);
  });

  it('waits for what has not begun until its lag is long over', () => {
    const silent = (...days: number[]) =>
      standingOf(
        days.map((day) => point(day, 1.0985)),
        before,
        false,
      ).isHeld;
    expect([silent(1, 2, 3, 4), silent(1, 2, 3, 4, 5, 6, 7)]).toEqual([false, true]);
  });
});
