import { describe, expect, it } from 'vitest';
import { DAP_CAP_G_PER_L } from '../nitrogen/index.ts';
import { HOUR_MS, MINUTE_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { entryDoubts } from './index.ts';

const START = Date.UTC(2026, 4, 2, 10);
type Row = [hour: number, content: EventContent];
const still: Row[] = [[0, honey(1350)], [0, water(4)], [1, yeast], ...[20, 27, 34].map((day): Row => [24 * day, reading(0.991, 20)])];
const NOW = 24 * 40;
const sulfite: EventContent = { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } };
const sorbate: EventContent = { kind: 'sorbate', payload: { massG: 1 } };
const core = (coreC: number, bathC?: number): EventContent => ({
  kind: 'core',
  payload: { coreC, ...(bathC === undefined ? {} : { bathC }) },
});
const look = (through: 'blur' | 'print'): EventContent => ({ kind: 'look', payload: { through, beside: [] } });
const tongue = (prickle: 'some' | 'none'): EventContent => ({ kind: 'tongue', payload: { prickle } });
const bentonite: EventContent = { kind: 'fining', payload: { fining: 'bentonite', name: 'bentonite', massG: 2 } };
const bottles: EventContent = { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }] } };
const doubts = (rows: Row[], content: EventContent, at = START + NOW * HOUR_MS, noSulfites = false): string =>
  entryDoubts(fold(eventsAt(START, rows)), content, at, { dapCapGPerL: DAP_CAP_G_PER_L.us, noSulfites }, [sulfite, content])
    .map(plainly)
    .join(' ');

describe('what is asked at the finish', () => {
  it.each<[string, { plain: Row[]; asked: Row[]; content: EventContent; about: RegExp }]>([
    [
      'sorbate into a cloud',
      { plain: [[NOW - 48, look('print')]], asked: [[NOW - 48, look('blur')]], content: sorbate, about: /was cloudy/ },
    ],
    ['sulfite twice', { plain: [[NOW - 1.01, sulfite]], asked: [[NOW - 0.99, sulfite]], content: sulfite, about: /Twice\?/ }],
    ['sorbate twice', { plain: [[NOW - 1.01, sorbate]], asked: [[NOW - 0.99, sorbate]], content: sorbate, about: /Twice\?/ }],
    ['powders after honey', { plain: [], asked: [[NOW - 3, honey(300)]], content: sulfite, about: /Sugar went in first/ }],
    [
      'finings into gas',
      { plain: [[NOW - 9, tongue('none')]], asked: [[NOW - 9, tongue('some')]], content: bentonite, about: /fail in gassy wine/ },
    ],
    ['heat after sulfite', { plain: [], asked: [[NOW - 24, sulfite]], content: core(40), about: /drives it off/ }],
    ['heat on closed bottles', { plain: [], asked: [[NOW - 24, bottles]], content: core(40), about: /It is in bottles/ }],
  ])('%s', (_name, { plain, asked, content, about }) => {
    expect(doubts([...still, ...plain], content)).toBe('');
    expect(doubts([...still, ...asked], content)).toMatch(about);
  });

  it('sulfite that the label forbids', () => {
    expect(doubts(still, sulfite)).toBe('');
    expect(doubts(still, sulfite, START + NOW * HOUR_MS, true)).toMatch(/no sulfites, by its plan/);
  });

  it.each([
    ['a core that moves as cores do', core(49, 60), ''],
    ['a core that jumps', core(49.1, 60), 'another scale'],
    ['a bath 30 °C hotter', core(40, 70), ''],
    ['a bath hotter than that', core(40, 70.1), 'glass may crack'],
    ['a core at the stop', core(71, 72), 'another scale'],
  ])('%s', (_name, content, about) => {
    const rows: Row[] = [...still, [NOW - 1 / 60, core(40, 60)]];
    const told = doubts(rows, content);
    if (about === '') expect(told).toBe('');
    else expect(told).toContain(about);
  });

  it('a core above 71 °C', () => {
    const near: Row[] = [...still, [NOW, core(70, 73)]];
    const then = START + NOW * HOUR_MS + MINUTE_MS;
    expect(doubts(near, core(71, 74), then)).toBe('');
    expect(doubts(near, core(71.1, 74), then)).toContain('the honey cooks');
  });
});

describe('what is asked of a priming', () => {
  const primed = (massG: number): EventContent => ({
    kind: 'bottling',
    payload: {
      bottles: [{ sizeMl: 500, count: 8, kind: 'swing-top', closure: 'swing-top', ratedVolumes: 5 }],
      prime: { what: 'sucrose', name: 'table sugar', massG, where: 'bulk', volumeL: 4.5, warmestC: 20 },
    },
  });
  it('is whether ounces were meant, below a seventh of a volume of gas', () => {
    expect(doubts(still, primed(2.5))).toMatch(/Were it ounces, it would be 70\.9 g/);
    expect(doubts(still, primed(2.7))).toBe('');
  });

  it('is what is to eat it, where sulfite and sorbate hold its yeast back', () => {
    expect(
      doubts([...still, [24 * 36, { kind: 'sulfite', payload: { salt: 'potassium', massG: 1 } }], [24 * 36, sorbate]], primed(20)),
    ).toMatch(/no gas, or some of it, some day/);
  });
});

describe('what is asked of a heating that was begun', () => {
  const working: Row[] = [...still.slice(0, 3), [24 * 10, reading(1.05, 20)]];
  const at = (hours: number): number => START + (24 * 12 + hours) * HOUR_MS;
  it('is asked once, and again of another heating', () => {
    const begun: Row[] = [...working, [24 * 12, core(45)]];
    expect(doubts(working, core(45), at(0))).toMatch(/It still works/);
    expect(doubts(begun, core(50), at(5.9))).not.toMatch(/It still works/);
    expect(doubts(begun, core(50), at(6.1))).toMatch(/It still works/);
  });
});
