import { describe, expect, it } from 'vitest';
import { DAY_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent, Ledger, Look } from '../record/index.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import type { Vessel } from '../vessel/index.ts';
import {
  FININGS,
  clearBy,
  clearingAdvice,
  closeGap,
  finedUntil,
  finingG,
  gasBeforeFining,
  gasLeft,
  rackAdvice,
  rackingsAhead,
  restMonths,
  standsInto,
  tasteNext,
  trialGlasses,
  waysInto,
} from './index.ts';

const START = Date.UTC(2026, 3, 1, 10);
const DAY = 24;
type Row = [hour: number, content: EventContent];
const at = (day: number, content: EventContent): Row => [day * DAY, content];
const lees = (day: number, leesMm: number): Row => at(day, { kind: 'reading', payload: { leesMm } });
const look = (day: number, through: Look, beside: ('floating pulp' | 'streaks' | 'sediment on the wall')[] = []): Row =>
  at(day, { kind: 'look', payload: { through, beside } });
const rack = (day: number): Row => at(day, { kind: 'rack', payload: { volumeL: 4.5 } });
const young: Row[] = [[0, honey(1350)], [0, water(4)], [1, yeast], at(8, reading(1.03, 20))];
const done: Row[] = [...young, at(20, reading(0.992, 20)), at(27, reading(0.992, 20)), at(36, reading(0.992, 20))];
const of = (...rows: Row[]): Ledger =>
  fold(
    eventsAt(
      START,
      rows.toSorted((a, b) => a[0] - b[0]),
    ),
  );
const day = (n: number): number => START + n * DAY_MS;

describe('when to rack', () => {
  it.each<[string, Row[], number, 'at dryness' | 'at 1.010', 'now' | 'soon' | 'none']>([
    ['12 mm of lees', [...young, lees(9, 12)], 10, 'at dryness', 'soon'],
    ['12.1 mm of lees', [...young, lees(9, 12.1)], 10, 'at dryness', 'now'],
    ['9.9 mm of lees', [...young, lees(9, 9.9)], 10, 'at dryness', 'none'],
    ['10 mm of lees', [...young, lees(9, 10)], 10, 'at dryness', 'soon'],
    ['1.010 by that school', [...young, at(12, reading(1.01, 20))], 12, 'at 1.010', 'now'],
    ['1.011 by that school', [...young, at(12, reading(1.011, 20))], 12, 'at 1.010', 'none'],
    ['1.010 by the other', [...young, at(12, reading(1.01, 20))], 12, 'at dryness', 'none'],
    ['finished, four weeks on its first lees', done, 36.5, 'at dryness', 'now'],
    ['racked, hazy, with lees again, before eight weeks', [...done, rack(37), lees(60, 4), look(60, 'glow')], 92.9, 'at dryness', 'soon'],
    ['and at eight weeks', [...done, rack(37), lees(60, 4), look(60, 'glow')], 93.1, 'at dryness', 'now'],
    ['racked and clear', [...done, rack(37), lees(60, 2), look(60, 'print')], 120, 'at dryness', 'none'],
  ])('%s: %s', (_name, rows, on, school, asks) => {
    expect(rackAdvice(of(...rows), day(on), school)?.asks).toBe(asks);
  });

  it('plans two or three ahead, the next six to eight weeks after the one that is due, and none once it is clear', () => {
    const [first, second] = rackingsAhead(of(...done), day(36.5));
    expect(first!.from).toBe(day(36.5));
    expect([second!.from, second!.to]).toEqual([day(36.5 + 42), day(36.5 + 56)]);
    expect(rackingsAhead(of(...done, rack(37), look(60, 'print')), day(61))).toEqual([]);
    expect(rackingsAhead(of(...done, rack(37), rack(60), rack(80), lees(90, 13)), day(91))).toEqual([]);
    expect(rackingsAhead(of(...young), day(9))).toEqual([]);
  });

  it('counts the rackings and their oxygen, and knows none before the pitch', () => {
    const twice = rackAdvice(of(...done, rack(37), rack(80)), day(81))!;
    expect(twice.count).toBe(2);
    expect(twice.oxygenMgPerL.value).toBe(3);
    expect(rackAdvice(of([0, honey(1350)], [0, water(4)]), day(1))).toBeNull();
  });
});

describe('into which vessel', () => {
  const jug = (capacityL: number): Vessel => ({ kind: 'jug', name: `${capacityL} L jug`, capacityL });
  const bucket: Vessel = { kind: 'bucket', name: 'bucket', capacityL: 10 };

  it('fills to 25 mm under the bung, and says what is over or what lacks', () => {
    const tight = standsInto(jug(5.3), 6);
    expect(tight.is).toBe('too small');
    expect(tight.headspaceMm).toBeCloseTo(25, 3);
    expect(standsInto(jug(5.3), tight.volumeL)).toMatchObject({ is: 'full', gapL: expect.closeTo(0, 6) as number });
    expect(standsInto(jug(5.3), 3.5).is).toBe('gap');
    expect(standsInto(bucket, 6).is).toBe('wide');
    expect(() => standsInto(bucket, 0)).toThrow(/nothing to rack/);
  });

  it('names the full narrow neck before the gap, and the wide mouth last; what is over finds a companion', () => {
    const ways = waysInto([bucket, jug(10), jug(5.3), jug(1.2)], 6.1);
    expect(ways[0]).toMatchObject({ main: { vessel: { capacityL: 5.3 } }, companion: { vessel: { capacityL: 1.2 } }, leftL: 0 });
    expect(ways.findIndex(({ main }) => main.is === 'wide')).toBeGreaterThan(ways.findIndex(({ main }) => main.is === 'gap'));
    const [best] = waysInto([jug(5.3)], 6.1);
    expect(best!.companion).toBeNull();
    expect(best!.leftL).toBeCloseTo(6.1 - best!.main.volumeL, 9);
    for (const { main, companion, leftL } of ways) expect(main.volumeL + (companion?.volumeL ?? 0) + leftL).toBeCloseTo(6.1, 6);
  });

  it('closes a gap with marbles or water, which thins', () => {
    const { marbles, withWater } = closeGap({ volumeL: 4.5, sg: 1, abv: 12 }, 0.5);
    expect(marbles).toBe(Math.ceil(500 / 2.14));
    expect(withWater.abv).toBeCloseTo((12 * 4.5) / 5, 1);
    expect(withWater.volumeL).toBeCloseTo(5, 1);
  });
});

describe('how clear it gets', () => {
  it('says by when print may be read at the pace seen, and nothing without a pace', () => {
    const ledger = of(...done, look(30, 'dark'), look(40, 'glow'));
    // A step in ten days, three to go: thirty days, half to twice.
    expect(clearBy(ledger)).toEqual({ from: day(40) + 15 * DAY_MS, to: day(40) + 60 * DAY_MS });
    expect(clearBy(of(...done, look(30, 'glow'), look(40, 'glow')))).toBeNull();
    expect(clearBy(of(...done, look(30, 'glow'), look(40, 'print')))).toBeNull();
  });

  it.each<[string, Row[], RegExp | null]>([
    ['floating pulp', [look(30, 'blur', ['floating pulp'])], /cloth over the end of the hose/],
    ['sediment on the wall', [look(30, 'blur', ['sediment on the wall'])], /turn the vessel/],
    ['streaks', [look(30, 'blur', ['streaks'])], /Stir gently/],
    ['two looks alike, nine days apart', [look(30, 'glow'), look(39, 'glow')], null],
    ['two looks alike, ten days apart', [look(30, 'glow'), look(40, 'glow')], /Try it in glasses first/],
    ['two looks alike, with fruit', [[0, berries(500)], look(30, 'glow'), look(40, 'glow')], /test for pectin/],
    [
      'strings in spirit',
      [look(30, 'glow'), look(40, 'glow'), at(41, { kind: 'note', payload: { text: 'strings', mark: 'pectin' } })],
      /wants its enzyme/,
    ],
    ['print', [look(30, 'print')], null],
  ])('%s', (_name, rows, told) => {
    const advice = clearingAdvice(of(...done, ...rows));
    if (told === null) expect(advice).toBeNull();
    else expect(plainly(advice!)).toMatch(told);
  });
});

describe('gas, finings, rest', () => {
  const tongue = (on: number, prickle: 'strong' | 'some' | 'none'): Row => at(on, { kind: 'tongue', payload: { prickle } });

  it('tells gas by the tongue and the warmth, and that finings want none', () => {
    const some = of(...done, tongue(37, 'some'));
    expect(gasLeft(some, 10, 12)!.value).toBeGreaterThan(gasLeft(some, 25, 12)!.value);
    expect(gasLeft(of(...done), 20, 12)).toBeNull();
    expect(plainly(gasBeforeFining(some)!)).toContain('fail in gassy wine');
    expect(gasBeforeFining(of(...done, tongue(37, 'none')))).toBeNull();
    expect(gasBeforeFining(of(...done, tongue(37, 'none'), tongue(38, 'some')))).not.toBeNull();
  });

  it('have ranges that rise, a trial through them, and settle until they are racked off', () => {
    for (const { gPerL, clearsDays } of FININGS) {
      expect(gPerL.low).toBeLessThan(gPerL.high);
      expect(clearsDays.low).toBeLessThan(clearsDays.high);
    }
    expect(trialGlasses({ gPerL: { low: 0.25, high: 0.75 } })).toEqual([0, 0.25, 0.5, 0.75]);
    expect(finingG(0.5, 4.5)).toBe(2.25);
    const fined: Row = at(40, { kind: 'fining', payload: { fining: 'bentonite', name: 'bentonite', massG: 2 } });
    expect(finedUntil(of(...done, fined))?.settledAt).toBe(day(54));
    expect(finedUntil(of(...done, fined, rack(55)))).toBeNull();
    expect(finedUntil(of(...done, at(40, { kind: 'fining', payload: { fining: 'pectic enzyme', name: 'enzyme', massG: 1 } })))).toBeNull();
  });

  it('wants longer the stronger it is', () => {
    const weak = fold(
      eventsAt(START, [
        [0, honey(500)],
        [0, water(5)],
        [1, yeast],
        [20 * DAY, reading(0.996, 20)],
      ]),
    );
    expect(restMonths(weak)!.high).toBeLessThan(restMonths(of(...done))!.high);
    expect(restMonths(fold([]))).toBeNull();
  });

  it('has wood tasted a week after it went in, and again a week after the last tasting', () => {
    const oak: Row = at(40, {
      kind: 'ingredient',
      payload: {
        name: 'oak cubes',
        family: 'tannin',
        makes: 'none',
        massG: 10,
        composition: { sugar: 0, unfermentable: 0.1, insoluble: 0.8, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
        sugarSpread: 0,
      },
    });
    const due = (...more: Row[]): number[] => tasteNext(of(...done, oak, ...more), day(36)).map(({ dueAt }) => dueAt);
    expect(due()).toEqual([day(47)]);
    expect(due(at(48, { kind: 'note', payload: { text: 'a little', mark: 'tasting' } }))).toEqual([day(55)]);
    expect(tasteNext(of(...done, oak), day(41))).toEqual([]);
  });
});
