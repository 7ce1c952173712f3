import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gasFan, ratingOf, volumesIn } from '../carbonate/index.ts';
import { eventsAt, fold, massImbalanceG, viewOf } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { DAY_MS, Refusal } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { stateOf } from '../watch/index.ts';
import { checkEvents } from '../check/index.ts';
import { bubblingOf, glassAlarm, isOpen, judgeBottling, whyNoGas, whyNotPrime } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
const DAY = 24;
type Row = [hour: number, content: EventContent];
const dry: Row[] = [[0, honey(950)], [0, water(4.4)], [1, yeast], ...[20, 27, 34].map((day): Row => [DAY * day, reading(0.994, 20)])];
const record = (...rows: Row[]): BatchEvent[] => eventsAt(START, rows);
type Bottling = Extract<EventContent, { kind: 'bottling' }>['payload'];
const sucrose = (massG: number, volumeL: number, over: Partial<NonNullable<Bottling['prime']>> = {}): NonNullable<Bottling['prime']> => ({
  what: 'sucrose',
  name: 'table sugar',
  massG,
  where: 'bulk',
  volumeL,
  warmestC: 21,
  ...over,
});
const swing = { sizeMl: 500, kind: 'swing-top', closure: 'swing-top', ratedVolumes: 4 } as const;
const crown = { sizeMl: 500, kind: 'used beer', closure: 'crown cap' } as const;
const bottling = (payload: Bottling): Closing => ({ kind: 'bottling', payload });
const at = START + 40 * DAY_MS;
type Closing = Extract<EventContent, { kind: 'bottling' }>;
/** What bars it: that it cannot be so, or the judgement of glass. */
const refusalOf = (content: Closing, rows: Row[] = dry): string => {
  try {
    checkEvents(record(...rows), [{ ...content, id: 'closing', happenedAt: at }], at + DAY_MS);
  } catch (error) {
    if (error instanceof Refusal) return error.message;
    throw error;
  }
  const { verdict, why } = judgeBottling(fold(record(...rows)), content.payload, at);
  return verdict === 'shut' ? plainly(why) : '';
};
const gramsFor = (volumes: number, liters: number): number => ((volumes - 0.85) * 1.977 * liters) / 0.5143;

describe('gas in closed glass', () => {
  it('takes what every kind bears with one slip, and bars the kind that does not, with its reason and the gas at which it would', () => {
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 9 }], prime: sucrose(gramsFor(2.4, 4.5), 4.5) }))).toBe('');
    const why = refusalOf(
      bottling({
        bottles: [
          { ...swing, count: 4 },
          { ...crown, count: 5 },
        ],
        prime: sucrose(gramsFor(2.6, 4.5), 4.5),
      }),
    );
    expect(why).toMatch(/500 ml \(used beer\) bears 3\.0 volumes, and one slip would make 3\.\d/);
    expect(why).toMatch(/At 2\.\d volumes it would hold/);
  });

  it('bars a wine bottle, a bare cork, and one of which nobody said what it is', () => {
    const gas = sucrose(gramsFor(2, 4.5), 4.5);
    expect(refusalOf(bottling({ bottles: [{ sizeMl: 750, count: 6, kind: 'wine', closure: 'cork' }], prime: gas }))).toMatch(
      /bears no gas/,
    );
    expect(refusalOf(bottling({ bottles: [{ sizeMl: 750, count: 6, kind: 'sparkling', closure: 'cork' }], prime: gas }))).toMatch(/no gas/);
    expect(refusalOf(bottling({ bottles: [{ sizeMl: 750, count: 6 }], prime: gas }))).toMatch(/What do the bottles/);
    expect(refusalOf(bottling({ bottles: [{ sizeMl: 4500, count: 1, kind: 'keg' }], prime: gas }))).toBe('');
  });

  it('wants the volume measured again where two slips are too much', () => {
    const prime = sucrose(gramsFor(3.3, 4.5), 4.5);
    const bottles = [{ ...swing, count: 9 }];
    expect(refusalOf(bottling({ bottles, prime }))).toMatch(/measure the volume a second time/);
    expect(refusalOf(bottling({ bottles, prime: { ...prime, again: true } }))).toBe('');
  });

  it('catches ten liters planned as twenty by what really went into bottles', () => {
    const prime = sucrose(gramsFor(2.2, 9), 9);
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 9 }], prime }))).not.toBe('');
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 9 }], prime: sucrose(gramsFor(2.2, 4.5), 4.5) }))).toBe('');
  });

  it('believes no more mead than was there, whatever is said to be left', () => {
    const prime = sucrose(gramsFor(2.2, 20), 20);
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 8 }], prime, leftL: 16 }))).toMatch(/volumes/);
  });

  it('wants the sugar of each bottle, so that none of it goes unjudged', () => {
    const each = sucrose(30, 4.5, { where: 'each' });
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 8 }], prime: each }))).toMatch(/say how much is in each/);
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 8, primeG: 3 }] }))).toMatch(/say how much is in each/);
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 8, primeG: 3 }], prime: { ...each, massG: 24 } }))).toBe('');
  });

  it('asks about ounces taken for grams', () => {
    expect(refusalOf(bottling({ bottles: [{ ...swing, count: 9 }], prime: sucrose(28.35 * gramsFor(2.2, 4.5), 4.5) }))).toMatch(
      /Are these grams/,
    );
  });

  it('does not prime what is sweet, or not proven finished', () => {
    const prime = sucrose(20, 4.5);
    const bottles = [{ ...swing, count: 8 }];
    expect(refusalOf(bottling({ bottles, prime }), dry.slice(0, 4))).toMatch(/not proven/);
    const powders: Row[] = [
      [36 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 1 } }],
      [36 * DAY, { kind: 'sorbate', payload: { massG: 1.4 } }],
    ];
    const sweet: Row[] = [...dry, ...powders, [37.5 * DAY, honey(250)], [37.6 * DAY, reading(1.014, 20)], [39.8 * DAY, reading(1.014, 20)]];
    expect(refusalOf(bottling({ bottles }), sweet), 'still, it may be bottled').toBe('');
    expect(refusalOf(bottling({ bottles, prime }), sweet)).toMatch(/It is sweet/);
    const stable = fold(record(...dry, ...powders));
    expect(plainly(whyNotPrime(stable) ?? []), 'some day, all of it at once').toMatch(/guarded/);
    expect(plainly(whyNoGas(stable) ?? [])).toMatch(/hold its yeast back.*keg/);
    expect(whyNoGas(fold(record(...dry)))).toBeNull();
  });

  it('no plan that passes exceeds what its container bears anywhere in its fan', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 120, noNaN: true }),
        fc.double({ min: 2, max: 9, noNaN: true }),
        fc.constantFrom(swing, crown, { sizeMl: 750, kind: 'sparkling', closure: 'wired cork' } as const),
        fc.integer({ min: 1, max: 8 }),
        fc.boolean(),
        fc.double({ min: 4, max: 28, noNaN: true }),
        (massG, volumeL, kind, count, again, warmestC) => {
          const content = bottling({ bottles: [{ ...kind, count }], prime: sucrose(massG, volumeL, { again, warmestC }) });
          if (refusalOf(content) !== '') return;
          const ledger = fold([...record(...dry), { ...content, id: 'closing', seq: 99, happenedAt: at, enteredAt: at }]);
          const filling = ledger.history.bottled!.fillings[0]!;
          if (massG === 0) return;
          const row = filling.bottles[0]!;
          const fan = gasFan(bubblingOf(filling.mead, volumesIn(filling, row), volumeL, warmestC));
          expect(fan.one).toBeLessThanOrEqual(ratingOf(row)! + 1e-6);
          if (!again) expect(fan.two).toBeLessThanOrEqual(ratingOf(row)! + 1e-6);
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('what is bottled with gas', () => {
  const primed = bottling({ bottles: [{ ...swing, count: 8 }], prime: sucrose(gramsFor(2.2, 4.2), 4.2), leftL: 0.2 });
  const rows: Row[] = [...dry, [40 * DAY, primed]];
  const ledger = fold(record(...rows));

  it('keeps its mass, and what went in', () => {
    expect(Math.abs(massImbalanceG(ledger.liquid))).toBeLessThan(1e-6);
    const { fillings } = ledger.history.bottled!;
    expect(viewOf(fillings[0]!.mead)!.sg).toBeCloseTo(0.994, 3);
    expect(volumesIn(fillings[0]!, fillings[0]!.bottles[0]!)).toBeCloseTo(2.2, 1);
  });

  it('may eat its priming sugar, and no more', () => {
    const opened = (sg: number) => glassAlarm(fold(record(...rows, [60 * DAY, reading(sg, 20)])));
    expect(opened(0.994)).toBeNull();
    expect(opened(0.9925)).toBeNull();
    expect(opened(0.9915)).not.toBeNull();
  });

  it('leaves its sugar in what stays, so that a second session is judged with it', () => {
    const half = bottling({ bottles: [{ ...swing, count: 4 }], prime: sucrose(gramsFor(2.2, 4.2), 4.2), leftL: 2.2, stays: true });
    const first: Row[] = [...dry, [40 * DAY - 1, half]];
    const state = fold(record(...first));
    expect(isOpen(state)).toBe(true);
    expect(stateOf(state, at).phase).not.toBe('bottled');
    expect(refusalOf(bottling({ bottles: [{ sizeMl: 750, count: 2, kind: 'wine', closure: 'cork' }] }), first)).not.toBe('');
  });

  it('forgets that sugar once it reads as low again as before, and is a batch no more once nothing is left in the vessel', () => {
    const half = bottling({ bottles: [{ ...swing, count: 4 }], prime: sucrose(gramsFor(2.2, 4.2), 4.2), leftL: 2.2, stays: true });
    const first: Row[] = [...dry, [40 * DAY, half]];
    const plain = bottling({ bottles: [{ sizeMl: 750, count: 2, kind: 'wine', closure: 'cork' }] });
    const primingsOf = (sg: number): number =>
      fold(record(...first, [60 * DAY, reading(sg, 20)], [61 * DAY, plain])).history.bottled!.fillings[1]!.primings.length;
    expect(primingsOf(0.994)).toBe(0);
    expect(primingsOf(0.9955)).toBe(1);
    const rest = viewOf(fold(record(...first)))!.volumeL;
    const poured: Row = [41 * DAY, { kind: 'removal', payload: { volumeL: rest, reason: 'dumped' } }];
    expect(stateOf(fold(record(...first, poured)), START + 42 * DAY_MS).phase).toBe('bottled');
  });

  it('is judged again by what is told later of it', () => {
    const late = record(...rows).find(({ kind }) => kind === 'bottling')!;
    const fewer = {
      ...primed,
      payload: { ...primed.payload, bottles: [{ ...swing, count: 3 }] },
    };
    const amendment: BatchEvent = {
      id: 'fewer',
      seq: 90,
      happenedAt: at + DAY_MS,
      enteredAt: at + DAY_MS,
      kind: 'amendment',
      payload: { eventId: late.id, replacement: { ...fewer, happenedAt: late.happenedAt } },
    };
    expect(() => checkEvents(record(...rows), [amendment], at + 2 * DAY_MS), 'the record may say what really was').not.toThrow();
    expect(plainly(glassAlarm(fold([...record(...rows), amendment])) ?? [])).toMatch(/should not have been closed/);
  });

  it('in pieces says the gas of each size', () => {
    const bottles = [
      { ...swing, count: 2, primeG: 3 },
      { ...swing, sizeMl: 330, count: 2, primeG: 3 },
    ];
    const prime = sucrose(12, 1.66, { where: 'each' });
    const each = fold(record(...dry, [40 * DAY, bottling({ bottles, prime })])).history.bottled!.fillings[0]!;
    const [large, small] = each.bottles.map((row) => volumesIn(each, row));
    expect(small!).toBeGreaterThan(large! + 0.5);
  });
});
