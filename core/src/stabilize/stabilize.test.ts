import { describe, expect, it } from 'vitest';
import { eventsAt } from '../record/build.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { freeSo2NeededMgPerL, metabisulfiteG, sorbicNeededMgPerL } from '../preservatives/index.ts';
import { whyShut } from '../glass/index.ts';
import { firstShutGate, freeSo2There, gatesOf, phKnown, planStabilizing } from './index.ts';

describe('the doses of the chemical school', () => {
  it('needs less sorbate as the alcohol rises, by the published points', () => {
    expect([9, 10, 11, 12, 13, 14, 16].map(sorbicNeededMgPerL)).toEqual([200, 150, 125, 100, 75, 50, 50]);
    expect(sorbicNeededMgPerL(12.5)).toBeCloseTo(87.5, 9);
  });

  const base = {
    volumeL: 4.5,
    abv: 12,
    known: phKnown(fold([]), 3.4, null),
    molecularMgPerL: 0.8,
    salt: 'potassium',
    region: 'us',
    so2MgPerL: 0,
    freeThereMgPerL: 0,
  } as const;

  it('takes what was measured off what is added, and never less than nothing', () => {
    const free = freeSo2NeededMgPerL(0.8, 3.4);
    const [none, half, all] = [0, free / 2, free + 5].map((freeThereMgPerL) => planStabilizing({ ...base, freeThereMgPerL }).sulfiteG);
    expect(half!.value).toBeCloseTo(none!.value / 2, 9);
    // A test that reads 5 mg/L too high or too low, and at the same time half or a seventh of what is added binds.
    expect(half!.high).toBeCloseTo(metabisulfiteG((free / 2 + 5) / 0.5, 4.5, 'potassium'), 9);
    expect(half!.low).toBeCloseTo(metabisulfiteG((free / 2 - 5) / 0.85, 4.5, 'potassium'), 9);
    expect(all).toEqual({ value: 0, low: 0, high: 0 });
  });

  it('takes the sorbate that is in it off what is added', () => {
    const whole = planStabilizing(base);
    expect(planStabilizing({ ...base, sorbicThereMgPerL: whole.sorbicMgPerL / 4 }).sorbateG).toBeCloseTo(0.75 * whole.sorbateG, 9);
    expect(planStabilizing({ ...base, sorbicThereMgPerL: 2 * whole.sorbicMgPerL }).sorbateG).toBe(0);
  });

  it('stops where the pH makes the dose absurd and where the total passes the limit', () => {
    const stops = (over: object): string[] =>
      planStabilizing({ ...base, ...over })
        .verdicts.filter((v) => v.weight === 'stop')
        .map((v) => v.id);
    expect(stops({})).toEqual([]);
    expect(stops({ known: phKnown(fold([]), 3.9, null) })).toContain('ph');
    expect(stops({ so2MgPerL: 330 })).toContain('so2-cap');
    expect(planStabilizing(base).sulfiteG.value).toBeGreaterThan(metabisulfiteG(freeSo2NeededMgPerL(0.8, 3.4), 4.5, 'potassium'));
  });
});

const START = Date.UTC(2026, 4, 1);
const HOUR = 3_600_000;
const DAY = 24;
const sg = (value: number): EventContent => ({ kind: 'reading', payload: { sg: value } });
const mark = (name: 'clear' | 'degassed'): EventContent => ({ kind: 'note', payload: { text: name, mark: name } });
const honey = (massG: number): EventContent => ({
  kind: 'honey',
  payload: { name: 'linden', massG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
});
const dry: [number, EventContent][] = [
  [0, honey(1350)],
  [0, { kind: 'water', payload: { volumeL: 4 } }],
  [1, { kind: 'yeast', payload: { yeastId: 'strong', name: 'strong', massG: 3 } }],
  [20 * DAY, sg(0.996)],
];
const proven: [number, EventContent][] = [...dry, [24 * DAY, sg(0.996)], [28 * DAY, sg(0.996)]];
const cleared: [number, EventContent][] = [...proven, [30 * DAY, mark('clear')], [30 * DAY, mark('degassed')]];
const stabilized: [number, EventContent][] = [
  ...cleared,
  [31 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.4 } }],
  [31 * DAY, { kind: 'sorbate', payload: { massG: 0.6 } }],
];
describe('free SO2 that was measured', () => {
  const measured: [number, EventContent][] = [...stabilized, [40 * DAY, { kind: 'reading', payload: { freeSo2MgPerL: 18 } }]];
  const there = (rows: [number, EventContent][], day: number) => freeSo2There(fold(eventsAt(START, rows)), START + day * DAY * HOUR);

  it('counts for a week, and until more sulfite or honey goes in, or it is racked', () => {
    expect(there(stabilized, 41)).toBeNull();
    expect(there(measured, 41)).toBe(18);
    expect(there(measured, 48)).toBeNull();
    expect(there([...measured, [41 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.1 } }]], 42)).toBeNull();
    expect(there([...measured, [41 * DAY, honey(100)]], 42)).toBeNull();
    expect(there([...measured, [41 * DAY, { kind: 'rack', payload: { volumeL: 4 } }]], 42)).toBeNull();
    expect(there([...measured, [41 * DAY, sg(0.996)]], 42)).toBe(18);
  });
});

const shut = (rows: [number, EventContent][], day: number) =>
  firstShutGate(gatesOf(fold(eventsAt(START, rows)), START + day * DAY * HOUR))?.id ?? null;
const bottle = (rows: [number, EventContent][], day: number) => whyShut(fold(eventsAt(START, rows)), START + day * DAY * HOUR);

describe('the gates before honey', () => {
  it('open one after the other, and only for what they want to see', () => {
    expect(shut(dry, 21)).toBe('finished');
    expect(shut(proven, 29)).toBe('clear');
    expect(shut([...proven, [30 * DAY, mark('clear')]], 30)).toBe('degassed');
    expect(shut([[5 * DAY, mark('degassed')], ...proven, [30 * DAY, mark('clear')]], 30), 'gas came back while it fermented').toBe(
      'degassed',
    );
    expect(shut(cleared, 30)).toBe('stabilized');
    expect(shut(stabilized, 31.9)).toBe('waited');
    expect(shut(stabilized, 32.1)).toBe('verified');
    expect(shut([...stabilized, [32.2 * DAY, sg(0.996)]], 32.5)).toBeNull();
  });

  it('do not count a single reading, a falling one, or sulfite without sorbate', () => {
    expect(shut([...dry, [28 * DAY, sg(0.992)]], 29)).toBe('finished');
    expect(shut([...cleared, [31 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.4 } }]], 33)).toBe('stabilized');
    expect(shut([...stabilized, [32.2 * DAY, sg(0.996)], [34 * DAY, sg(0.99)]], 35)).not.toBeNull();
  });
});

describe('closing bottles', () => {
  it('is stopped until the gravity is proven steady', () => {
    const at = (value: number, ...days: number[]): [number, EventContent][] => [
      ...dry.slice(0, 3),
      ...days.map((day): [number, EventContent] => [day * DAY, sg(value)]),
    ];
    expect(bottle(at(0.992, 20), 21)).not.toBeNull();
    expect(bottle(at(0.992, 20, 24, 28), 29)).toBeNull();
    expect(bottle(at(0.992, 20, 34), 35)).toBeNull();
    expect(bottle(at(0.992, 20, 26.9), 29), 'a week, close to its end').not.toBeNull();
    expect(bottle(at(0.992, 20, 27), 29)).toBeNull();
  });

  it('is stopped where it stands still well above its end, until long stillness is worth a question', () => {
    expect(JSON.stringify(bottle(proven, 29))).toContain('above where it should stop');
    expect(bottle([...proven, [48 * DAY, sg(0.996)]], 48)).toBeNull();
  });

  it('is stopped after honey until one reading a day later is as it should be, or two of 48 hours agree', () => {
    const sweet: [number, EventContent][] = [...stabilized, [32.2 * DAY, sg(0.996)], [33 * DAY, honey(120)]];
    expect(bottle(sweet, 34)).not.toBeNull();
    const expected = 1.0048;
    expect(bottle([...sweet, [33.1 * DAY, sg(expected)], [35.1 * DAY, sg(expected)]], 35.2)).toBeNull();
    expect(bottle([...sweet, [33.9 * DAY, sg(expected)]], 35.2), 'an hour or two early').not.toBeNull();
    expect(bottle([...sweet, [34.1 * DAY, sg(expected)]], 35.2)).toBeNull();
    expect(bottle([...sweet, [34.1 * DAY, sg(expected + 0.003)]], 35.2), 'not as it should be').not.toBeNull();
    expect(bottle([...sweet, [35.1 * DAY, sg(0.996)]], 35.2)).not.toBeNull();
    expect(bottle([...sweet, [33.1 * DAY, sg(expected)], [35.1 * DAY, sg(expected - 0.005)]], 35.2)).not.toBeNull();
  });

  it('is stopped after honey in a mead that was never stabilized', () => {
    expect(bottle([...proven, [29 * DAY, honey(150)]], 40)).not.toBeNull();
  });

  it('is stopped on a mead that stopped sweet at its tolerance, until it is stabilized', () => {
    const sweet: [number, EventContent][] = [
      [0, honey(2100)],
      [0, { kind: 'water', payload: { volumeL: 4 } }],
      [1, { kind: 'yeast', payload: { yeastId: 'ale', name: 'ale', massG: 4 } }],
      [20 * DAY, sg(1.05)],
      [40 * DAY, sg(1.05)],
    ];
    expect(JSON.stringify(bottle(sweet, 41))).toContain('limit of its yeast');
    const safe: [number, EventContent][] = [
      ...sweet,
      [41 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.6 } }],
      [41 * DAY, { kind: 'sorbate', payload: { massG: 1.3 } }],
      [43 * DAY, sg(1.05)],
    ];
    expect(bottle(safe, 43)).toBeNull();
  });
});
