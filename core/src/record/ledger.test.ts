import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alcoholByBalance, correctedSg } from '../liquid/index.ts';
import { eventsAt } from './build.ts';
import { anyHappening, frozen } from '../testing/anyHappening.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import {
  GUARD,
  contentsG,
  fold,
  foldUntil,
  gravityRead,
  guardNeeded,
  ledgerFigures,
  logOf,
  makeReading,
  massImbalanceG,
  mixedOf,
  parcelOf,
  viewOf,
  othersPoured,
} from './index.ts';
import type { BatchEvent, EventContent, Seen } from './index.ts';

const START = Date.UTC(2026, 0, 5, 9);
const mead = (...more: [number, EventContent][]): BatchEvent[] => eventsAt(START, [[0, honey(1500)], [0, water(4)], [1, yeast], ...more]);

describe('the ledger', () => {
  it('conserves mass through any events', () => {
    fc.assert(
      fc.property(fc.array(anyHappening, { maxLength: 25 }), (contents) => {
        const ledger = fold(
          eventsAt(
            START,
            contents.map((content, i) => [i, content] as const),
          ),
        );
        expect(Math.abs(massImbalanceG(ledger.liquid))).toBeLessThan(1e-6 * (1 + ledger.liquid.pouredG));
        for (const mass of [ledger.liquid.waterG, ledger.liquid.sugarG, ledger.liquid.ethanolG, ledger.liquid.unfermentableG])
          expect(mass).toBeGreaterThanOrEqual(-1e-6);
      }),
      { numRuns: 300, seed: 7 },
    );
  });

  it('leaves its events as they are, and folds them to the same again', () => {
    const parcel = parcelOf(fold(mead([24, reading(1.06, 20)])), 2);
    fc.assert(
      fc.property(fc.array(anyHappening, { maxLength: 20 }), fc.boolean(), (contents, isBorn) => {
        const born: EventContent[] = isBorn
          ? [{ kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'a', volumeL: 2, parcel } }]
          : [];
        const rows = [...born, ...contents].map((content, i) => [i, content] as const);
        const events = frozen(JSON.parse(JSON.stringify(eventsAt(START, rows))) as BatchEvent[]);
        const before = JSON.stringify(events);
        const [once, twice] = [fold(events), fold(events)];
        expect(twice).toEqual(once);
        expect(JSON.stringify(events)).toBe(before);
      }),
      { numRuns: 200, seed: 11 },
    );
  });

  it('is the same after an amendment and its withdrawal', () => {
    fc.assert(
      fc.property(fc.array(anyHappening, { minLength: 1, maxLength: 15 }), fc.nat(), anyHappening, (contents, pick, other) => {
        const events = eventsAt(
          START,
          contents.map((content, i) => [i, content] as const),
        );
        const target = events[pick % events.length]!;
        if (other.kind === 'amendment') return;
        const stamp = (seq: number) => ({ id: `a${seq}`, seq, happenedAt: target.happenedAt, enteredAt: START + 1e9 });
        const amended: BatchEvent = {
          ...stamp(events.length + 1),
          kind: 'amendment',
          payload: { eventId: target.id, replacement: { ...other, happenedAt: target.happenedAt } },
        };
        const back: BatchEvent = { ...stamp(events.length + 2), kind: 'amendment', payload: { eventId: amended.id, replacement: null } };
        expect(fold([...events, amended, back])).toEqual(fold(events));
      }),
      { numRuns: 100, seed: 3 },
    );
  });

  it('does not depend on the order in which events are handed over', () => {
    const events = mead([24, reading(1.08)], [48, reading(1.05)]);
    expect(fold(events.toReversed())).toEqual(fold(events));
  });

  it('finds the alcohol that the mass balance finds, from the measured gravity on', () => {
    const plain = mead();
    const og = viewOf(foldUntil(plain, START + 3_600_000))!.sg;
    const ledger = fold(mead([240, reading(1.012)]));
    const balance = alcoholByBalance(og, 1.012);
    expect(viewOf(ledger)!.abv).toBeCloseTo(balance.abv, 1);
    expect(viewOf(ledger)!.extractGPerL).toBeCloseTo(balance.residualGPerL, 0);
    expect(viewOf(ledger)!.sugarGPerL).toBeLessThan(balance.residualGPerL - 10);
  });

  it('is settled by a gravity of the unpitched must that the honey can explain, and not by one it cannot', () => {
    const must = (sg: number) =>
      fold(
        eventsAt(START, [
          [0, honey(1500)],
          [0, water(4)],
          [0.5, reading(sg)],
        ]),
      );
    const expected = must(1).history.readings[0]!.expectedSg;
    expect(mixedOf(must(expected - 0.004))!.sg).toBeCloseTo(expected - 0.004, 6);
    const unmixed = must(1.04);
    expect(unmixed.history.readings[0]!.verdict).toBe('unexplained');
    expect(mixedOf(unmixed)!.sg).toBeCloseTo(expected, 6);
  });

  it('keeps an impossible reading on record without following it', () => {
    const ledger = fold(mead([240, reading(1.05)], [260, reading(1.1)]));
    expect(ledger.history.readings.map((r) => r.verdict)).toEqual(['follows', 'unexplained']);
    expect(viewOf(ledger)!.sg).toBeCloseTo(1.05, 5);
  });

  it('corrects a warm sample before it believes it', () => {
    const ledger = fold(mead([240, reading(1.05, 30)]));
    expect(ledger.history.readings[0]!.sg).toBeCloseTo(correctedSg(1.05, 30, 20, viewOf(ledger)!.abv), 4);
    expect(viewOf(ledger)!.sg).toBeGreaterThan(1.052);
  });

  it('loses strength to water and none to a spill', () => {
    const before = viewOf(fold(mead([240, reading(1.02)])))!;
    const spilled = viewOf(fold(mead([240, reading(1.02)], [241, { kind: 'removal', payload: { volumeL: 1, reason: 'spill' } }])))!;
    expect(spilled.abv).toBeCloseTo(before.abv, 9);
    expect(spilled.volumeL).toBeCloseTo(before.volumeL - 1, 9);
    expect(spilled.shareGone).toBeCloseTo(before.shareGone, 9);
    const watered = viewOf(fold(mead([240, reading(1.02)], [241, water(1)])))!;
    expect(watered.abv).toBeCloseTo((before.abv * before.volumeL) / watered.volumeL, 6);
  });

  it('leaves the lees behind when racked and the rest in proportion', () => {
    const ledger = fold(mead([240, reading(1.02)], [300, { kind: 'rack', payload: { volumeL: 4.2 } }]));
    expect(mixedOf(ledger)!.volumeL).toBeCloseTo(4.2, 6);
    expect(ledger.liquid.yeastG).toBe(0);
    expect(contentsG(ledger.liquid)).toBeLessThan(ledger.liquid.pouredG);
  });

  it('books nitrogen by source and keeps it per liter through a loss', () => {
    const ledger = fold(
      mead(
        [24, { kind: 'nutrient', payload: { source: 'dap', massG: 2, dose: 1 } }],
        [24, { kind: 'nutrient', payload: { source: 'organic', massG: 5, dose: 1 } }],
      ),
    );
    expect(ledger.liquid.ammoniumNMg).toBeCloseTo(424.2, 1);
    expect(ledger.liquid.aminoNMg).toBeCloseTo(200, 1);
    const less = fold(
      mead(
        [24, { kind: 'nutrient', payload: { source: 'dap', massG: 2 } }],
        [30, { kind: 'removal', payload: { volumeL: 1, reason: 'foam' } }],
      ),
    );
    expect(less.liquid.ammoniumNMg).toBeLessThan(424);
  });

  it('shows the old value beside the amended one', () => {
    const events = mead([240, reading(1.05)]);
    const target = events.at(-1)!;
    const fix: BatchEvent = {
      id: 'x',
      seq: 9,
      happenedAt: target.happenedAt,
      enteredAt: target.happenedAt + 1,
      kind: 'amendment',
      payload: { eventId: target.id, replacement: { kind: 'reading', payload: { sg: 1.06 }, happenedAt: target.happenedAt } },
    };
    const entry = logOf([...events, fix]).at(-1)!;
    expect([entry.first.payload, entry.standing.payload]).toMatchObject([{ sg: 1.05 }, { sg: 1.06 }]);
    expect(viewOf(fold([...events, fix]))!.sg).toBeCloseTo(1.06, 5);
  });

  it('doubts its figures in proportion to what was measured', () => {
    const figures = ledgerFigures(mead([240, reading(1.02)]))!;
    expect(figures.sg.high - figures.sg.low).toBeGreaterThan(0.003);
    expect(figures.abv.high - figures.abv.low).toBeGreaterThan(0.3);
    expect(figures.abv.high - figures.abv.low).toBeLessThan(4);
    const withOg = ledgerFigures(
      eventsAt(START, [
        [0, honey(1500)],
        [0, water(4)],
        [0.5, reading(1.098)],
        [1, yeast],
        [240, reading(1.02)],
      ]),
    )!;
    expect(withOg.abv.high - withOg.abv.low).toBeLessThan(figures.abv.high - figures.abv.low);
    expect(ledgerFigures([])).toBeNull();
  });
});

describe('what an instrument shows too much in water', () => {
  const house = { calibrationC: 20, phMeter: null, zeroSg: 0.002, zeroBrix: 0.5 } as const;

  it('is taken off a hydrometer and a refractometer, and off nothing else', () => {
    const ledger = fold(mead());
    const read = (seen: Seen) => gravityRead(ledger, makeReading(seen, house))!.sg;
    expect(read({ sg: 1.048, tempC: 20 })).toBeCloseTo(1.046, 6);
    expect(read({ sg: 1.048, instrument: 'float', tempC: 20 })).toBeCloseTo(1.048, 6);
    const must = fold(mead().slice(0, 2));
    const without = gravityRead(must, makeReading({ brix: 17.5 }, { ...house, zeroBrix: 0 }))!.sg;
    expect(gravityRead(must, makeReading({ brix: 18 }, house))!.sg).toBeCloseTo(without, 9);
  });

  it('goes into the record with the reading', () => {
    expect(makeReading({ sg: 1.048 }, house)).toMatchObject({ sg: 1.048, zeroSg: 0.002 });
    expect(makeReading({ sg: 1.048 }, { ...house, zeroSg: 0 })).not.toHaveProperty('zeroSg');
  });
});

describe('a refractometer in alcohol', () => {
  it('reads on, whatever rounding left of the first alcohol', () => {
    for (let sg = 1.09; sg > 1.06; sg -= 0.0007) {
      const ledger = fold(
        mead(
          [24, { kind: 'reading', payload: { sg } }],
          [30, { kind: 'reading', payload: { brix: 22 } }],
          [90, { kind: 'reading', payload: { brix: 16 } }],
        ),
      );
      expect(ledger.history.readings.at(-1)!.verdict, sg.toFixed(4)).toBe('follows');
    }
  });
});

describe('two readings that agree', () => {
  it('overrule a low slip before them, and one alone does not', () => {
    const slip: [number, EventContent][] = [
      [100, reading(1.06)],
      [148, reading(1.02)],
      [172, reading(1.05)],
    ];
    expect(fold(mead(...slip)).history.readings.map(({ verdict }) => verdict)).toEqual(['follows', 'follows', 'unexplained']);
    const settled = fold(mead(...slip, [196, reading(1.048)]));
    expect(settled.history.readings.map(({ verdict }) => verdict)).toEqual(['follows', 'unexplained', 'follows', 'follows']);
    expect(viewOf(settled)!.sg).toBeCloseTo(1.048, 4);
    const apart = fold(mead(...slip, [196, reading(1.0465)]));
    expect(apart.history.readings.at(-1)!.verdict, '3.5 points apart they do not agree').toBe('unexplained');
    expect(Math.abs(massImbalanceG(settled.liquid))).toBeLessThan(1e-6);
  });
});

describe('what guards a mead', () => {
  const stable = (sulfiteG: number, sorbateG: number, ...more: [number, EventContent][]): BatchEvent[] =>
    mead(
      [700, reading(0.992)],
      [710, { kind: 'reading', payload: { ph: 3.4 } }],
      [720, { kind: 'sulfite', payload: { salt: 'potassium', massG: sulfiteG } }],
      [721, { kind: 'sorbate', payload: { massG: sorbateG } }],
      ...more,
    );
  const volumeL = viewOf(fold(stable(0, 0)))!.volumeL;
  const need = guardNeeded(viewOf(fold(stable(0, 0)))!.abv, 3.4);
  const sulfiteG = (need.so2MgPerL * volumeL) / 576.3;
  const sorbateG = (need.sorbicMgPerL * volumeL) / ((112.13 / 150.22) * 1000);
  const since = (events: BatchEvent[]): number | null => fold(events).history.guarded?.at ?? null;

  it.each([
    ['the whole of both', 1, 1, true],
    ['just enough of both', GUARD.opensAt + 0.01, GUARD.opensAt + 0.01, true],
    ['too little sulfite', GUARD.opensAt - 0.01, 1, false],
    ['too little sorbate', 1, GUARD.opensAt - 0.01, false],
    ['a thousandth', 0.001, 0.001, false],
    ['nothing', 0, 0, false],
  ])('is a dose: %s', (_name, sulfite, sorbate, guards) => {
    expect(since(stable(sulfite * sulfiteG, sorbate * sorbateG)) !== null).toBe(guards);
  });

  it('is thinned by what is poured in, up to a point: a weaker mead wants more sorbate than the one that was dosed', () => {
    const thinned = (liters: number): number | null => since(stable(sulfiteG, 4 * sorbateG, [730, water(liters)]));
    expect(thinned(volumeL * (1 / GUARD.holdsTo - 1) * 0.97)).not.toBeNull();
    expect(thinned(volumeL * (1 / GUARD.holdsTo - 1) * 1.03)).toBeNull();
    const weaker = volumeL * (1 / GUARD.holdsTo - 1) * 0.97;
    expect(since(stable(sulfiteG, sorbateG, [730, water(weaker)])), 'half again as much water halves no need').toBeNull();
  });

  it('is undone by yeast, and neither by a loss nor by a split', () => {
    expect(since(stable(sulfiteG, sorbateG, [730, yeast]))).toBeNull();
    expect(since(stable(sulfiteG, sorbateG, [730, { kind: 'removal', payload: { volumeL: 2, reason: 'spill' } }]))).not.toBeNull();
    const parcel = parcelOf(fold(stable(sulfiteG, sorbateG)), 1);
    expect(
      since(eventsAt(START, [[800, { kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'a', volumeL: 1, parcel } }]])),
    ).not.toBeNull();
  });
});

describe('fruit and pulp', () => {
  const withFruit = (...more: [number, EventContent][]): BatchEvent[] =>
    eventsAt(START, [[0, honey(1500)], [0, water(3)], [0, berries(2000)], ...more]);

  it('keeps the pulp beside the liquid and what the fruit brought in it', () => {
    const ledger = fold(withFruit());
    expect(ledger.liquid.insolubleG).toBeCloseTo(86, 9);
    expect(ledger.liquid.acidG).toBeCloseTo(44, 9);
    expect(ledger.liquid.broughtAminoNMg).toBeCloseTo(140, 9);
    expect(othersPoured(ledger)[0]!.bagOutAt).toBe(START + 7 * 86_400_000);
  });

  it('takes liquid along with the pulp that is lifted out, and no more', () => {
    const before = fold(withFruit());
    const after = fold(withFruit([24, { kind: 'strain', payload: { massG: 386, share: 1 } }]));
    expect(after.liquid.insolubleG).toBe(0);
    expect(contentsG(before.liquid) - contentsG(after.liquid)).toBeCloseTo(386, 6);
    expect(viewOf(after)!.sg).toBeCloseTo(viewOf(before)!.sg, 9);
  });

  it('leaves the pulp behind when racked', () => {
    expect(fold(withFruit([24, { kind: 'rack', payload: { volumeL: 4 } }])).liquid.insolubleG).toBe(0);
  });

  it('widens the ranges by the fruit’s own doubt', () => {
    const width = (events: BatchEvent[]): number => ledgerFigures(events)!.sg.high - ledgerFigures(events)!.sg.low;
    expect(width(withFruit())).toBeGreaterThan(
      width(
        eventsAt(START, [
          [0, honey(1500)],
          [0, water(4.8)],
        ]),
      ),
    );
  });
});
