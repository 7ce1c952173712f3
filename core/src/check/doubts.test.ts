import { describe, expect, it } from 'vitest';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { eventsAt, fold, sgAtShare, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { DAP_CAP_G_PER_L } from '../nitrogen/index.ts';
import { FIRST_AMMONIUM_H, TOO_LATE_SHARE } from '../yeast/index.ts';
import { HOUR_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { MUST_TEMP_C, yeastOf, yeastToPitchG } from '../yeast/index.ts';
import { entryDoubts, thinning } from './index.ts';

const START = Date.UTC(2026, 4, 2, 10);
type Row = [hour: number, content: EventContent];
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
];
const live: Row[] = [...must, [1, yeast]];
const ledgerOf = (rows: Row[]): Ledger => fold(eventsAt(START, rows));
const rules = { dapCapGPerL: DAP_CAP_G_PER_L.us };
const doubts = (rows: Row[], hour: number, content: EventContent, beside: EventContent[] = []): string =>
  entryDoubts(ledgerOf(rows), content, START + hour * HOUR_MS, rules, beside)
    .map(plainly)
    .join(' ');
const dap = (massG: number): EventContent => ({ kind: 'nutrient', payload: { source: 'dap', massG } });
const organic = (massG: number): EventContent => ({ kind: 'nutrient', payload: { source: 'organic', massG } });
const warm = (tempC: number): EventContent => ({ kind: 'reading', payload: { tempC } });
const sulfite: EventContent = { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } };
const sorbate: EventContent = { kind: 'sorbate', payload: { massG: 1 } };
const still: Row[] = [...live, ...[20, 27, 34].map((day): Row => [24 * day, reading(0.991, 20)])];
const stable: Row[] = [...still, [24 * 36, sulfite], [24 * 36, sorbate]];
const volumeL = viewOf(ledgerOf(must))!.volumeL;
const wantedG = yeastToPitchG(volumeL, viewOf(ledgerOf(must))!.sg);
const { yeastId } = ledgerOf(live).history.pitch!;
const pitched = (massG: number): EventContent => ({ kind: 'yeast', payload: { yeastId, name: 'some', massG } });
const racked = (liters: number, capacityL: number): EventContent => ({
  kind: 'rack',
  payload: { volumeL: liters, into: [{ vessel: { kind: 'jug', name: 'jug', capacityL }, volumeL: liters }] },
});

/** Each limit with something just short of it and just past it. */
describe('what is asked about before it is written', () => {
  it.each<[string, { rows: Row[]; hour: number; plain: EventContent; asked: EventContent; about: RegExp; beside?: EventContent[] }]>([
    [
      'a high pH',
      {
        rows: live,
        hour: 60,
        plain: { kind: 'reading', payload: { ph: 3.8 } },
        asked: { kind: 'reading', payload: { ph: 3.81 } },
        about: /spoils easily.*buffers 4 and 7/,
      },
    ],
    [
      'a low pH',
      {
        rows: live,
        hour: 60,
        plain: { kind: 'reading', payload: { ph: 3.2 } },
        asked: { kind: 'reading', payload: { ph: 2.89 } },
        about: /lower than musts go.*buffers 4 and 7/,
      },
    ],
    [
      'a pH under what this yeast bears',
      {
        rows: live,
        hour: 60,
        plain: { kind: 'reading', payload: { ph: yeastOf({ yeastId: yeastId }).phFloor } },
        asked: { kind: 'reading', payload: { ph: yeastOf({ yeastId: yeastId }).phFloor - 0.01 } },
        about: /this yeast labors/,
      },
    ],
    [
      'more acid than meads hold',
      {
        rows: live,
        hour: 60,
        plain: { kind: 'reading', payload: { taGPerL: 12 } },
        asked: { kind: 'reading', payload: { taGPerL: 12.1 } },
        about: /degassed/,
      },
    ],
    [
      'less acid than meads hold',
      {
        rows: live,
        hour: 60,
        plain: { kind: 'reading', payload: { taGPerL: 2 } },
        asked: { kind: 'reading', payload: { taGPerL: 1.9 } },
        about: /degassed/,
      },
    ],
    [
      'free SO2 that is smelled',
      {
        rows: stable,
        hour: 24 * 37,
        plain: { kind: 'reading', payload: { freeSo2MgPerL: 60 } },
        asked: { kind: 'reading', payload: { freeSo2MgPerL: 61 } },
        about: /smell/,
      },
    ],
    [
      'little yeast',
      { rows: must, hour: 1, plain: pitched(0.51 * wantedG), asked: pitched(0.49 * wantedG), about: /is little where about/ },
    ],
    ['a vessel that runs over', { rows: still, hour: 24 * 35, plain: racked(4.2, 4.17), asked: racked(4.2, 4.15), about: /runs over/ }],
    [
      'water that does not fit',
      {
        rows: [...still, [24 * 35, racked(4.2, 4.6)]],
        hour: 24 * 36,
        plain: { kind: 'water', payload: { volumeL: 0.4 } },
        asked: { kind: 'water', payload: { volumeL: 0.47 } },
        about: /more than fits/,
      },
    ],
    [
      'heat on what still works',
      {
        rows: live,
        hour: 40,
        plain: { kind: 'heat', payload: { tempC: MUST_TEMP_C.most, minutes: 10 } },
        asked: { kind: 'heat', payload: { tempC: MUST_TEMP_C.most + 0.1, minutes: 10 } },
        about: /yeast dies/,
      },
    ],
    [
      'heat in closed glass',
      {
        rows: [...still, [24 * 36, { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 5 }] } }]],
        hour: 24 * 40,
        plain: { kind: 'note', payload: { text: 'warm today' } },
        asked: { kind: 'heat', payload: { tempC: 63, minutes: 10 } },
        about: /bursts/,
      },
    ],
    [
      'ammonium over its cap',
      {
        rows: live,
        hour: 30,
        plain: dap(rules.dapCapGPerL * volumeL * 0.998),
        asked: dap(rules.dapCapGPerL * volumeL * 1.01),
        about: /At most .* by the cap/,
      },
    ],
    ['ten times the cap', { rows: live, hour: 30, plain: dap(1), asked: dap(50), about: /At most .*50\.0 g is more/ }],
    ['nitrogen far past the need', { rows: live, hour: 30, plain: organic(6), asked: organic(60), about: /of the nitrogen that it needs/ }],
    [
      'urea in its nutrient',
      { rows: live, hour: 30, plain: dap(1), asked: { kind: 'nutrient', payload: { source: 'cutDap', massG: 1 } }, about: /Urea/ },
    ],
    [
      'mold',
      {
        rows: live,
        hour: 60,
        plain: { kind: 'note', payload: { text: 'film', mark: 'film' } },
        asked: { kind: 'note', payload: { text: 'mold', mark: 'mold' } },
        about: /discard|not drink/i,
      },
    ],
    ['acid into what ferments', { rows: live, hour: 60, plain: acid(2), asked: acid(20), about: /acid into a fermenting must/ }],
    ['honey into what has ended', { rows: still, hour: 24 * 35, plain: honey(0), asked: honey(200), about: /not stabilized/ }],
    ['fruit into what has ended', { rows: still, hour: 24 * 35, plain: acid(1), asked: berries(500), about: /not stabilized/ }],
    ['sorbate without sulfite', { rows: still, hour: 24 * 36, plain: sulfite, asked: sorbate, about: /geraniums/ }],
  ])('%s', (_name, { rows, hour, plain, asked, about }) => {
    expect(doubts(rows, hour, plain)).toBe('');
    expect(doubts(rows, hour, asked)).toMatch(about);
  });

  it.each<[string, { plain: [Row[], number]; asked: [Row[], number]; content: EventContent; about: RegExp }]>([
    [
      'yeast into a hot must',
      { plain: [[...must, [0.5, warm(25)]], 1], asked: [[...must, [0.5, warm(39)]], 1], content: yeast, about: /yeast dies there/ },
    ],
    [
      'yeast at the edge of what it likes',
      { plain: [[...must, [0.5, warm(25)]], 1], asked: [[...must, [0.5, warm(25.1)]], 1], content: yeast, about: /likes at most/ },
    ],
    [
      'yeast after a heat of hours ago',
      { plain: [[...must, [0, warm(39)]], 3.1], asked: [[...must, [0, warm(39)]], 2.9], content: yeast, about: /yeast dies/ },
    ],
    [
      'yeast into sulfite',
      { plain: [[...must, [0, sulfite]], 24], asked: [[...must, [0, sulfite]], 23.9], content: yeast, about: /wants its 24 h/ },
    ],
    ['yeast into a stabilized mead', { plain: [must, 1], asked: [stable, 24 * 40], content: yeast, about: /undoes that/ }],
    [
      'ammonium while the yeast wakes up',
      { plain: [live, 1 + FIRST_AMMONIUM_H], asked: [live, 0.9 + FIRST_AMMONIUM_H], content: dap(1), about: /not before/ },
    ],
    [
      'food past half the sugar',
      {
        plain: [fermentedBy(TOO_LATE_SHARE - 0.02), 80],
        asked: [fermentedBy(TOO_LATE_SHARE + 0.02), 80],
        content: organic(1),
        about: /of the sugar is gone/,
      },
    ],
    [
      'ammonium in alcohol',
      {
        plain: [[...live, [70, reading(1.066)]], 80],
        asked: [[...live, [70, reading(1.012)]], 80],
        content: dap(0.5),
        about: /hardly taken up/,
      },
    ],
    [
      'sulfite into what works',
      { plain: [still, 24 * 36], asked: [[...live, [70, reading(1.05)]], 80], content: sulfite, about: /still works/ },
    ],
    [
      'sorbate into what works',
      {
        plain: [[...still, [24 * 36, sulfite]], 24 * 36],
        asked: [[...live, [70, reading(1.05)]], 80],
        content: sorbate,
        about: /stops no yeast/,
      },
    ],
  ])('%s', (_name, { plain, asked, content, about }) => {
    expect(doubts(plain[0], plain[1], content)).toBe('');
    expect(doubts(asked[0], asked[1], content)).toMatch(about);
  });

  it('tells heat that kills from heat that only harms', () => {
    const at = (tempC: number): string => doubts([...must, [0.5, warm(tempC)]], 1, yeast);
    expect(at(MUST_TEMP_C.most)).toMatch(/likes at most/);
    expect(at(MUST_TEMP_C.most + 0.1)).toMatch(/yeast dies there/);
  });

  it('takes sorbate beside its sulfite for one deed', () => {
    expect(doubts(still, 24 * 36, sorbate, [sulfite, sorbate])).toBe('');
  });

  it('lets honey into a stabilized mead once its wait is over, and not before', () => {
    const marked = (mark: 'clear' | 'degassed'): Row => [24 * 38, { kind: 'note', payload: { text: mark, mark } }];
    const waited: Row[] = [...stable, [24 * 38, reading(0.991, 20)], marked('clear'), marked('degassed')];
    expect(doubts(stable, 24 * 36 + 1, honey(100))).toMatch(/one gate is still shut/);
    expect(doubts(waited, 24 * 38 + 1, honey(100))).toBe('');
  });
});

function acid(massG: number): EventContent {
  return {
    kind: 'ingredient',
    payload: {
      name: 'tartaric acid',
      family: 'acid',
      makes: 'none',
      massG,
      composition: { sugar: 0, unfermentable: 0, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 1000 },
      sugarSpread: 0,
    },
  };
}

function fermentedBy(share: number): Row[] {
  return [...live, [70, reading(sgAtShare(ledgerOf(live), share))]];
}

describe('what water does', () => {
  it('is told before it is poured: strength and gravity, by the masses', () => {
    const ledger = ledgerOf(still);
    const { volumeL: liters, abv } = viewOf(ledger)!;
    const told = plainly(thinning(ledger, 0.5, START + 40 * 24 * HOUR_MS)!);
    const [, before, after] = /^([\d.]+) % vol becomes ([\d.]+) % vol, /.exec(told)!;
    expect(Number(before)).toBeCloseTo(abv, 1);
    expect(Number(after)).toBeCloseTo((abv * liters) / (liters + 0.5), 1);
    expect(plainly(thinning(ledgerOf(must), 0.5, START)!)).toMatch(/^1\.\d{3} becomes 1\.\d{3}$/);
    expect(thinning(ledgerOf([]), 0.5, START)).toBeNull();
    expect(viewOf(ledger)!.volumeL, 'nothing is poured').toBe(liters);
  });
});
