import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { eventsAt } from './build.ts';
import { anyHappening } from '../testing/anyHappening.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { DISSOLVED, doubtOf, fold, ledgerFigures, massImbalanceG, mixedOf, parcelOf, viewOf } from './index.ts';
import type { BatchEvent, EventContent } from './index.ts';

const START = Date.UTC(2026, 0, 5, 9);
const mead = (...more: [number, EventContent][]): BatchEvent[] => eventsAt(START, [[0, honey(1500)], [0, water(4)], [1, yeast], ...more]);

describe('splitting and blending', () => {
  const id = (n: number) => ({ id: `t${n}`, seq: 90 + n, happenedAt: START + 1e10, enteredAt: START + 1e10 });
  const split = (events: BatchEvent[], volumeL: number) => {
    const parcel = parcelOf(fold(events), volumeL);
    const parent: BatchEvent[] = [...events, { ...id(1), kind: 'transferOut', payload: { toBatchId: 'b', toName: 'b', volumeL } }];
    const child: BatchEvent[] = [{ ...id(2), kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'a', volumeL, parcel } }];
    return { parent, child };
  };

  it('conserves each mass, split and blended back', () => {
    fc.assert(
      fc.property(fc.array(anyHappening, { maxLength: 12 }), fc.double({ min: 0.05, max: 0.95, noNaN: true }), (contents, share) => {
        const events = [
          ...mead([20, berries(500)]),
          ...eventsAt(
            START,
            contents.map((content, i) => [30 + i, content] as const),
          ).map((event, i) => ({ ...event, id: `x${i}`, seq: 10 + i })),
        ];
        const whole = fold(events);
        const volumeL = mixedOf(whole)?.volumeL ?? 0;
        fc.pre(volumeL > 0.2);
        const { parent, child } = split(events, volumeL * share);
        const [left, taken] = [fold(parent), fold(child)];
        for (const field of DISSOLVED) expect(left.liquid[field] + taken.liquid[field], field).toBeCloseTo(whole.liquid[field], 6);
        const back: BatchEvent[] = [
          ...parent,
          {
            ...id(3),
            kind: 'transferIn',
            payload: { fromBatchId: 'b', fromName: 'b', volumeL: 1, parcel: parcelOf(taken, mixedOf(taken)!.volumeL) },
          },
        ];
        const guards = ['guardSo2Mg', 'guardSorbicMg'];
        for (const field of DISSOLVED.filter((each) => !guards.includes(each)))
          expect(fold(back).liquid[field], field).toBeCloseTo(whole.liquid[field], 6);
        expect(Math.abs(massImbalanceG(taken.liquid))).toBeLessThan(1e-6 * (1 + taken.liquid.pouredG));
        expect(Math.abs(massImbalanceG(fold(back).liquid))).toBeLessThan(1e-5 * (1 + whole.liquid.pouredG));
      }),
      { numRuns: 150, seed: 14 },
    );
  });

  it('hands its doubts to a child: what was unsure stays unsure', () => {
    const events = mead([240, reading(1.02)]);
    const siphoned = parcelOf(fold(events), 2);
    const parcel = { ...siphoned, history: { ...siphoned.history, doubt: doubtOf(ledgerFigures(events)) } };
    const child = eventsAt(START, [[300, { kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'a', volumeL: 2, parcel } }]]);
    const [mother, daughter] = [ledgerFigures(events)!, ledgerFigures(child)!];
    for (const figure of ['abv', 'sugarGPerL', 'sg'] as const)
      expect(daughter[figure].high - daughter[figure].low).toBeGreaterThan(0.8 * (mother[figure].high - mother[figure].low));
  });

  it('hands the history to a child and leaves that of a blend alone', () => {
    const events = mead([24, reading(1.06, 20)]);
    const { child } = split(events, 2);
    expect(fold(child).history.pitch?.at).toBe(fold(events).history.pitch?.at);
    expect(fold(child).history.readings).toEqual(fold(events).history.readings);
    expect(viewOf(fold(child))!.abv).toBeCloseTo(viewOf(fold(events))!.abv, 9);
    const blended: BatchEvent[] = [
      ...eventsAt(START, [
        [0, honey(900)],
        [0, water(3)],
      ]),
      { ...child[0]!, seq: 5 },
    ];
    expect(fold(blended).history.pitch).toBeNull();
    expect(fold(blended).history.transfers).toHaveLength(1);
  });

  it('refuses more than there is', () => {
    expect(() => parcelOf(fold(mead()), 50)).toThrow(/cannot be taken over/);
    expect(() => parcelOf(fold(mead()), 0)).toThrow(Refusal);
  });
});

describe('what a batch takes from the shelf', () => {
  const fromLot = (massG: number): EventContent => ({
    kind: 'honey',
    payload: { name: 'linden', massG, moisture: 0.17, unfermentable: 0.03, lotId: 'lot' },
  });

  it('is summed by lot, and given back when taken back', () => {
    const events = eventsAt(START, [
      [0, fromLot(500)],
      [1, fromLot(700)],
      [2, honey(100)],
    ]);
    expect(fold(events).taken).toEqual({ lot: 1200 });
    const undone: BatchEvent = {
      id: 'u',
      seq: 9,
      happenedAt: START,
      enteredAt: START,
      kind: 'amendment',
      payload: { eventId: events[1]!.id, replacement: null },
    };
    expect(fold([...events, undone]).taken).toEqual({ lot: 500 });
  });
});
