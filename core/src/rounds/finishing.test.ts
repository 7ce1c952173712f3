import { describe, expect, it } from 'vitest';
import { DAY_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import type { Vessel } from '../vessel/index.ts';
import type { AskPractice } from './ask.ts';
import { asksOf } from './index.ts';

const START = Date.UTC(2026, 5, 1, 10);
const DAY = 24;
type Row = [hour: number, content: EventContent];
const at = (day: number, content: EventContent): Row => [day * DAY, content];
const done: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [1, yeast],
  at(20, reading(0.992, 20)),
  at(27, reading(0.992, 20)),
  at(36, reading(0.992, 20)),
];
const core = (coreC: number): EventContent => ({ kind: 'core', payload: { coreC } });
const jug = (capacityL: number): Vessel => ({ kind: 'jug', name: 'jug', capacityL });
const rack = (vessel: Vessel, volumeL: number): EventContent => ({ kind: 'rack', payload: { volumeL, into: [{ vessel, volumeL }] } });
const ready: Row[] = [
  at(37, { kind: 'look', payload: { through: 'print', beside: [] } }),
  at(37, { kind: 'tongue', payload: { prickle: 'none' } }),
];
const powders = (day: number): Row[] => [
  at(day, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } }),
  at(day, { kind: 'sorbate', payload: { massG: 1 } }),
];
const asks = (day: number, practice: AskPractice, ...rows: Row[]) =>
  asksOf(
    fold(
      eventsAt(
        START,
        [...done, ...rows].toSorted((a, b) => a[0] - b[0]),
      ),
    ),
    null,
    START + day * DAY_MS,
    practice,
  );
const told = (kind: string, day: number, rows: Row[], practice: AskPractice = {}): string =>
  asks(day, practice, ...rows)
    .filter((ask) => ask.kind === kind)
    .map(({ bell, sentence }) => `${bell}: ${plainly(sentence)}`)
    .join(' ');

describe('what Rounds ask at the finish', () => {
  it('a racking off the first lees, and none while finings settle', () => {
    expect(told('rack', 37, [])).toMatch(/^swinging: It is finished and has stood/);
    const fined = at(38, { kind: 'fining', payload: { fining: 'bentonite', name: 'bentonite', massG: 2 } });
    expect(told('rack', 39, [fined])).toBe('');
    expect(told('offFinings', 39, [fined])).toMatch(/^muffled: The bentonite settles/);
    expect(told('offFinings', 51.9, [fined])).toMatch(/^muffled/);
    expect(told('offFinings', 52, [fined])).toMatch(/^swinging: The bentonite has had its time/);
  });

  it('air above what ages, by the vessels it was racked into', () => {
    expect(told('headspace', 40, [at(38, rack(jug(5), 4.6))])).toBe('');
    expect(told('headspace', 40, [at(38, rack(jug(10), 4.6))])).toMatch(/of air stands above it/);
    expect(told('headspace', 40, [at(38, rack({ kind: 'bucket', name: 'bucket', capacityL: 5 }, 4.6))])).toMatch(/a wide mouth ages badly/);
  });

  it('the school’s own next step', () => {
    expect(told('stabilize', 40, ready)).toMatch(/Ready to be stabilized/);
    expect(told('bottle', 40, ready, { stabilizing: 'dry' })).toMatch(/Dry and still/);
    expect(told('stabilize', 40, ready, { stabilizing: 'dry' })).toBe('');
    expect(told('degas', 40, [ready[0]!], { stabilizing: 'heat' })).toMatch(/gas foams in the bath/);
    expect(told('clear', 40, [ready[1]!], { stabilizing: 'heat' })).toBe('');
  });

  it('a pot on the fire is looked after: stalled, too hot, or going well', () => {
    const minute = (m: number): number => 40 + m / 1440;
    const log = (coreC: number): Row[] => [at(40, core(coreC - 1)), at(minute(4), core(coreC))];
    expect(told('heating', minute(13.9), log(61))).toMatch(/^muffled: In the bath/);
    expect(told('heating', minute(14.1), log(61))).toMatch(/^cracked: The log of its heating stopped/);
    expect(told('heating', minute(5), log(71))).toMatch(/^muffled/);
    expect(told('heating', minute(5), log(71.2))).toMatch(/^cracked: The core reads 71/);
    expect(told('heating', 41, log(61))).toBe('');
  });

  it('the rest after heat, its reading, and the second one', () => {
    const hot: Row[] = [at(40, { kind: 'heat', payload: { tempC: 62, minutes: 20 } }), ...ready];
    const heat: AskPractice = { stabilizing: 'heat' };
    expect(told('wait', 40.4, hot, heat)).toMatch(/^muffled: It rests from the heat/);
    expect(told('wait', 40.6, hot, heat)).toMatch(/^swinging: It has rested since the heat/);
    const sweet: Row[] = [at(39, honey(300)), ...hot, at(41, reading(1.012, 20))];
    expect(told('verify', 41.1, sweet, heat), 'one reading, as it should be').toBe('');
    expect(told('verify', 41.1, [at(39, honey(300)), ...hot, at(41, reading(1.02, 20))], heat)).toMatch(/What opens it/);
  });

  it('one more reading a week after the honey, though two agree', () => {
    const sweet: Row[] = [
      ...ready,
      ...powders(38),
      at(39.1, reading(0.992, 20)),
      at(40, honey(150)),
      at(40.1, reading(1.002, 20)),
      at(42.2, reading(1.002, 20)),
    ];
    expect(told('weekLater', 46.9, sweet)).toMatch(/^muffled/);
    expect(told('weekLater', 47, sweet)).toMatch(/^swinging: .*A falling gravity is an alarm/);
    expect(told('weekLater', 48, [...sweet, at(47.5, reading(1.002, 20))])).toBe('');
  });

  it('sulfite that may have faded, a week before and after', () => {
    const rows = [...ready, ...powders(38), at(39.1, reading(0.992, 20))];
    const first = Array.from({ length: 400 }, (_, i) => 39 + i).find((day) => told('fading', day, rows) !== '')!;
    expect(first).toBeGreaterThan(60);
    expect(told('fading', first, rows)).toMatch(/^muffled: Its sulfite may have faded too far/);
    expect(told('fading', first + 7, rows)).toMatch(/^swinging: .*by now/);
  });

  it('a taste of the oak', () => {
    const oak: Row = at(38, {
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
    expect(told('tasteBy', 44.9, [oak])).toMatch(/^muffled: Taste the oak cubes/);
    expect(told('tasteBy', 45, [oak])).toMatch(/^swinging/);
  });

  it('none of it twice for one moment', () => {
    const keys = asks(60, {}, ...ready, ...powders(38)).map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
