import { describe, expect, it } from 'vitest';
import { DAY_MS } from '../quantities/index.ts';
import { checkEvents } from '../check/index.ts';
import { alcoholByBalance } from '../liquid/index.ts';
import { finishOf, judge, whyShut } from '../glass/index.ts';
import { eventsAt, fold, ledgerFigures, massImbalanceG, strengthFrom, viewOf } from './index.ts';
import type { EventContent } from './index.ts';

const START = Date.UTC(2026, 8, 1);
/** “0.999, about a gallon, tastes like 14 %”. */
const strength = strengthFrom({ by: 'taste', abv: 14 }, { sg: 0.999, volumeL: 3.785 });
const found: EventContent = {
  kind: 'found',
  payload: { volumeL: 3.785, volumeSpread: 0.1, sg: 0.999, ...strength, ageDays: 120, yeastId: 'allround', knows: 'tastes like 14 %' },
};
const read = (sg: number): EventContent => ({ kind: 'reading', payload: { sg, tempC: 20, calibrationC: 20 } });

describe('a mead whose past nobody wrote down', () => {
  const begun = eventsAt(START, [[0, found]]);

  it('stands as it was told, with wide ranges for what nobody knows', () => {
    const ledger = fold(begun);
    const view = viewOf(ledger)!;
    expect(view.volumeL).toBeCloseTo(3.785, 2);
    expect(view.sg).toBeCloseTo(0.999, 4);
    expect(view.abv).toBeCloseTo(14, 1);
    expect(Math.abs(massImbalanceG(ledger.liquid))).toBeLessThan(1e-6);
    const figures = ledgerFigures(begun)!;
    expect(figures.abv.high - figures.abv.low).toBeGreaterThan(5);
    expect(figures.volumeL.high - figures.volumeL.low).toBeGreaterThan(0.6);
    expect(figures.sugarGPerL.high - figures.sugarGPerL.low).toBeGreaterThan(10);
    expect(figures.sg.high - figures.sg.low).toBeLessThan(0.005);
  });

  const bottling = (at: number) => ({
    kind: 'bottling' as const,
    payload: { bottles: [{ sizeMl: 750, count: 4 }] },
    id: '00000000-0000-4000-8000-000000000099',
    happenedAt: at,
  });
  const twoWeeks: [number, EventContent][] = [
    [0, found],
    [8 * 24, read(0.998)],
    [15 * 24, read(0.998)],
  ];

  it('is finished when it has proven still; but far above a dry end, so that glass is worth a question after long stillness', () => {
    const still = eventsAt(START, twoWeeks);
    expect(finishOf(fold(still)).level).toMatchObject({ count: 2, days: 7 });
    expect(whyShut(fold(still), START + 16 * DAY_MS)).not.toBeNull();
    const fourWeeks = (days: number) =>
      eventsAt(START, [...twoWeeks, [days * 24, read(0.998)], [days * 24, { kind: 'staysHere', payload: {} }]]);
    expect(whyShut(fold(fourWeeks(35)), START + 36 * DAY_MS)).not.toBeNull();
    expect(judge(fold(fourWeeks(37)), START + 38 * DAY_MS).verdict).toBe('ask');
    expect(ledgerFigures(fourWeeks(29))!.abv.low).toBeLessThan(12);
  });

  it('or is stabilized, waited for and read again', () => {
    const stabilized = eventsAt(START, [
      ...twoWeeks,
      [16 * 24, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.6 } }],
      [16 * 24, { kind: 'sorbate', payload: { massG: 0.6 } }],
      [18 * 24, read(0.998)],
    ]);
    const at = START + 19 * DAY_MS;
    expect(() => checkEvents(stabilized, [bottling(at)], at)).not.toThrow();
  });

  it('begins a batch of its own, and is refused where strength and gravity contradict each other', () => {
    const now = START + DAY_MS;
    expect(() => checkEvents(begun, [{ ...found, id: 'x', happenedAt: now }], now)).toThrow(/not empty/);
    const lightest = { ...found, payload: { ...found.payload, sg: 0.985, abv: 5 } } as EventContent;
    expect(() => checkEvents([], [{ ...lightest, id: 'x', happenedAt: now }], now)).toThrow(/lighter than alcohol and water/);
  });
});

describe('how strong it may be', () => {
  it('by the gravity that it began at, as the mass balance has it', () => {
    const { abv } = strengthFrom({ by: 'og', og: 1.11 }, { sg: 1.0, volumeL: 4 });
    expect(Math.abs(abv - alcoholByBalance(1.11, 1.0).abv)).toBeLessThan(0.4);
  });
  it('by its honey: 1.5 kg in a US gallon, dry, began at 1.122 and are near seventeen percent', () => {
    const { abv } = strengthFrom({ by: 'honey', honeyG: 1502 }, { sg: 0.998, volumeL: 3.785 });
    expect(Math.abs(abv - alcoholByBalance(1.122, 0.998).abv)).toBeLessThan(1);
  });
  it.each([
    [{ by: 'og', og: 0.99 } as const, /above what it reads now/],
    [{ by: 'honey', honeyG: 100 } as const, /So little/],
    [{ by: 'honey', honeyG: 3000 } as const, /stronger than 20/],
  ])('is refused where it cannot be, %#', (known, sentence) => {
    expect(() => strengthFrom(known, { sg: 1.02, volumeL: 3.785 })).toThrow(sentence);
  });
  it('is a wide guess where nobody knows', () => {
    expect(strengthFrom({ by: 'nothing' }, { sg: 1, volumeL: 4 }).abvSpread).toBeGreaterThan(4);
  });
});
