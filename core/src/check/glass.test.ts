import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { eventsAt, fold, meadBottled, viewOf } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { DAY_MS, HOUR_MS, Refusal } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { expectedEnd, finishOf, glassAlarm, stateOf, whyNotBottle } from '../watch/index.ts';
import { LONG_STILL_DAYS } from '../watch/stillness.ts';
import { STAYS } from '../watch/finish.ts';
import { MAY_STILL_FALL_SG } from '../watch/glass.ts';
import { checkEvents } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
const DAY = 24;
type Row = [hour: number, content: EventContent];
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [1, yeast],
];
const at = (sg: number, ...days: number[]): Row[] => days.map((day) => [day * DAY, reading(sg, 20)]);
const powders = (day: number, sulfiteG = 0.5, sorbateG = 1): Row[] => [
  [day * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: sulfiteG } }],
  [day * DAY, { kind: 'sorbate', payload: { massG: sorbateG } }],
];
const bottles = (count = 4): EventContent => ({ kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count }] } });
const malt = (massG: number): EventContent => ({
  kind: 'ingredient',
  payload: {
    name: 'pale malt',
    family: 'malt',
    makes: 'malt',
    massG,
    composition: { sugar: 0.62, unfermentable: 0.34, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
    sugarSpread: 0.1,
  },
});
const record = (...rows: Row[]): BatchEvent[] =>
  eventsAt(
    START,
    rows.toSorted((a, b) => a[0] - b[0]),
  );
const why = (day: number, ...rows: Row[]): string => {
  const said = whyNotBottle(fold(record(...rows)), START + day * DAY_MS);
  return said === null ? '' : plainly(said);
};
const write =
  (day: number, content: EventContent, ...rows: Row[]) =>
  () =>
    checkEvents(record(...rows), [{ ...content, id: 'new', happenedAt: START + day * DAY_MS }], START + 400 * DAY_MS);

const dry = [...must, ...at(0.991, 20, 27, 34)];
const stable = [...dry, ...powders(36), ...at(0.991, 38)];

describe('closed glass', () => {
  it.each<[string, number, Row[], RegExp]>([
    ['that still falls', 12, [...must, ...at(1.05, 8), ...at(1.03, 11)], /not proven steady/],
    ['read twice within two weeks', 30, [...must, ...at(0.991, 20, 29)], /not proven steady/],
    [
      'stabilized while it fell, and sweetened',
      40,
      [...must, ...at(1.042, 10), ...powders(11), [12 * DAY, honey(300)], ...at(1.06, 12.1), ...at(1.0585, 14.2)],
      /not proven still before/,
    ],
    ['in the second in which the powders went in', 36.001, [...must, ...at(1.004, 20, 27, 34), ...powders(36)], /stays|want|wait/i],
    ['sweetened and not read', 41, [...stable, [39 * DAY, honey(200)]], /read the gravity once it is stirred in/],
    ['sweetened and read once', 42, [...stable, [39 * DAY, honey(200)], ...at(1.009, 41.5)], /One reading since the honey/],
    ['sweetened and fallen by a little', 43, [...stable, [39 * DAY, honey(200)], ...at(1.0085, 39.1), ...at(1.0061, 41.5)], /fell|fallen/],
    ['honeyed and never stabilized', 50, [...dry, [36 * DAY, honey(200)]], /not stabilized|not proven/],
    [
      'thinned 1:1 after its powders',
      43,
      [...must, ...at(1.004, 20, 27, 34, 48), ...powders(49), [50 * DAY, water(5)], ...at(1.001, 51)],
      /./,
    ],
  ])('is refused on a mead %s', (_name, day, rows, sentence) => {
    expect(why(day, ...rows)).toMatch(sentence);
    expect(write(day, bottles(), ...rows)).toThrow(Refusal);
  });

  it.each<[string, number, Row[]]>([
    ['dry and still', 35, dry],
    ['dry, stabilized, and read after it', 39, stable],
    ['sweetened and read twice', 43, [...stable, [39 * DAY, honey(200)], ...at(1.008, 39.1, 41.5)]],
  ])('may be put on a mead that is %s', (_name, day, rows) => {
    expect(why(day, ...rows)).toBe('');
    expect(write(day, bottles(), ...rows)).not.toThrow();
  });

  it('near dryness goes by what could still fall, then by four weeks of stillness', () => {
    const low = expectedEnd(fold(record(...must, ...at(0.995, 20))))!.sg.low;
    const still = (sg: number, ...days: number[]): string => why(days.at(-1)! + 1, ...must, ...at(sg, ...days));
    expect(still(low + MAY_STILL_FALL_SG - 0.0003, 20, 27, 34)).toBe('');
    expect(still(low + MAY_STILL_FALL_SG + 0.0007, 20, 27, 34)).toMatch(/may end/);
    expect(still(0.9965, 20, 34, 20 + LONG_STILL_DAYS)).toBe('');
    expect(still(0.9965, 20, 34, 20 + LONG_STILL_DAYS - 1)).toMatch(/may end/);
    const word: Row = [21 * DAY, { kind: 'staysHere', payload: {} }];
    const byWord = (sg: number): string => why(49, ...must, ...at(sg, 20, 34, 48), word);
    expect(byWord(0.9999)).toBe('');
    expect(byWord(1.0001), 'from 1.000 on stillness alone does not do').toMatch(/not stable/);
  });

  it('is not deceived by a first reading over honey that was not stirred in: it falls from the highest', () => {
    const hidden: Row[] = [...stable, [39 * DAY, honey(250)], ...at(1.0, 39.1), ...at(1.01, 40)];
    expect(why(50, ...hidden, ...at(1.0075, 48))).toMatch(/It fell from 1\.010 to/);
    expect(why(50, ...hidden, ...at(1.0085, 48))).not.toMatch(/It fell/);
  });

  it('minds how far below the honey’s own gravity it reads', () => {
    const sweet: Row[] = [...stable, [39 * DAY, honey(200)]];
    const expected = viewOf(fold(record(...sweet)))!.sg;
    const read = (sg: number, ...days: number[]): string => why(days.at(-1)! + 0.5, ...sweet, ...at(sg, ...days));
    expect(read(expected - 0.0035, 39.1, 41.5)).toBe('');
    expect(read(expected - 0.0045, 39.1, 41.5)).toMatch(/below the/);
    expect(read(expected - 0.0045, 39.1, 46.2), 'a week apart proves that too').toBe('');
  });
});

describe('the maker’s word that it stays', () => {
  const stays: Row = [21 * DAY, { kind: 'staysHere', payload: {} }];
  const high = [...must, ...at(1.008, 20, 27, 34, 48)];

  it('opens what no reading could, once three on one line over two weeks show it, and leads to stabilizing', () => {
    const finished = (...rows: Row[]): string => finishOf(fold(record(...rows))).state;
    expect(finished(...high)).toBe('moving');
    expect(finished(...must, ...at(1.008, 20, 27), stays)).toBe('waiting');
    const days = STAYS.aliveDays;
    expect(finished(...must, ...at(1.008, 20, 27, 20 + days), stays)).toBe('finished');
    expect(finished(...must, ...at(1.008, 20, 27, 20 + days - 1), stays)).toBe('waiting');
    expect(why(49, ...high, stays)).toMatch(/stopped is not stable/);
    expect(why(52, ...high, stays, ...powders(49), ...at(1.008, 51))).toBe('');
  });

  it('goes straight to glass where malt explains it, after four weeks', () => {
    const braggot: Row[] = [
      [0, honey(640)],
      [0, malt(560)],
      [0, water(4)],
      [1, yeast],
    ];
    const read = (last: number): Row[] => [...braggot, ...at(1.016, 20, 34, last), stays];
    expect(why(50, ...braggot, ...at(1.016, 20, 34, 48))).not.toBe('');
    expect(why(50, ...read(48))).toBe('');
    expect(why(50, ...read(47))).not.toBe('');
    const before = fold(record(...braggot, ...at(1.016, 20, 34)));
    const after = fold(record(...read(34)));
    expect(viewOf(after)!.sugarGPerL).toBeLessThan(viewOf(before)!.sugarGPerL);
    expect(after.liquid.sugarG + after.liquid.unfermentableG).toBeCloseTo(before.liquid.sugarG + before.liquid.unfermentableG, 6);
  });
});

describe('after the bottling', () => {
  const bottled: Row[] = [...stable, [39 * DAY, honey(200)], ...at(1.008, 39.1, 41.5), [43 * DAY, bottles()]];
  const events = record(...bottled);
  const ofKind = (kind: string, n: number): BatchEvent => events.filter((event) => event.kind === kind)[n]!;
  const amended = (target: BatchEvent, replacement: EventContent | null): BatchEvent => ({
    id: `fix ${target.id}`,
    seq: 900,
    happenedAt: START + 60 * DAY_MS,
    enteredAt: START + 60 * DAY_MS,
    kind: 'amendment',
    payload: {
      eventId: target.id,
      replacement: replacement === null ? null : ({ ...replacement, happenedAt: target.happenedAt } as never),
    },
  });
  const alarmed = (...more: BatchEvent[]): boolean => glassAlarm(fold([...events, ...more])) !== null;

  it('keeps what went into the glass', () => {
    expect(viewOf(meadBottled(fold(events))!)!.sg).toBeCloseTo(1.008, 3);
    expect(alarmed()).toBe(false);
  });

  it('alarms when what proved it is taken back or corrected, and when honey is told of later', () => {
    expect(alarmed(amended(ofKind('sulfite', 0), null))).toBe(true);
    expect(alarmed(amended(ofKind('sorbate', 0), { kind: 'sorbate', payload: { massG: 0 } }))).toBe(true);
    expect(alarmed(amended(ofKind('reading', 5), reading(1.0035, 20)))).toBe(true);
    const late: BatchEvent = { id: 'late', seq: 901, happenedAt: START + 44 * DAY_MS, enteredAt: START + 60 * DAY_MS, ...honey(100) };
    expect(alarmed(late)).toBe(true);
    expect(stateOf(fold([...events, late]), START + 61 * DAY_MS).phase).toBe('glass in doubt');
    const rain: BatchEvent = {
      id: 'rain',
      seq: 902,
      happenedAt: START + 44 * DAY_MS,
      enteredAt: START + 60 * DAY_MS,
      kind: 'note',
      payload: { text: 'rain' },
    };
    expect(alarmed(rain)).toBe(false);
  });

  it('refuses a note that a correction turns into a bottling, and an unproven batch’s bottles written behind a stale parcel', () => {
    const falling = record(...must, ...at(1.05, 8), [9 * DAY, { kind: 'note', payload: { text: 'rain' } }]);
    const note = falling.find(({ kind }) => kind === 'note')!;
    expect(() => checkEvents(falling, [amended(note, bottles())], START + 70 * DAY_MS)).toThrow(/not proven steady/);
    const first = { ...honey(300), id: 'h', happenedAt: START + 42 * DAY_MS };
    const parcel = [first, { ...bottles(), id: 'b', happenedAt: START + 43 * DAY_MS }];
    expect(() => checkEvents(record(...stable), parcel, START + 70 * DAY_MS)).toThrow(Refusal);
  });

  it('lets a count be made smaller, whatever is known by then, and not larger', () => {
    const doubtful = [...events, amended(ofKind('sulfite', 0), null)];
    const bottling = ofKind('bottling', 0);
    const correct = (count: number) => () =>
      checkEvents(doubtful, [{ ...amended(bottling, bottles(count)), id: 'c' }], START + 70 * DAY_MS);
    expect(correct(3)).not.toThrow();
    expect(correct(5)).toThrow(Refusal);
  });
});

describe('whatever is written, in whatever order', () => {
  const anyDeed: fc.Arbitrary<EventContent> = fc.oneof(
    { weight: 8, arbitrary: fc.constantFrom(0.992, 0.992, 0.992, 0.9915, 0.996, 1.01).map((sg) => reading(sg, 20)) },
    { weight: 2, arbitrary: fc.constantFrom(100, 300).map(honey) },
    fc.constant(water(1)),
    fc.constant(yeast),
    fc.constant(berries(300)),
    fc.constantFrom(0.001, 0.5).map((massG): EventContent => ({ kind: 'sulfite', payload: { salt: 'potassium', massG } })),
    fc.constantFrom(0.001, 1).map((massG): EventContent => ({ kind: 'sorbate', payload: { massG } })),
    fc.constant<EventContent>({ kind: 'staysHere', payload: {} }),
    { weight: 6, arbitrary: fc.constantFrom(1, 3).map(bottles) },
  );
  const anyAct = fc.record({
    days: fc.double({ min: -20, max: 15, noNaN: true }),
    content: anyDeed,
    amends: fc.nat(),
    isAmendment: fc.boolean(),
    isWithdrawal: fc.boolean(),
  });

  it('no accepted record holds glass that the judgement forbids, amendments, late entries and parcels included', () => {
    let closed = 0;
    fc.assert(
      fc.property(fc.array(anyAct, { minLength: 4, maxLength: 26 }), (acts) => {
        let events = record(...must, ...at(0.992, 20, 27));
        let now = START + 30 * DAY_MS;
        for (const [i, { days, content, amends, isAmendment, isWithdrawal }] of acts.entries()) {
          now += 3 * DAY_MS;
          const happenedAt = Math.max(START + 2 * HOUR_MS, Math.min(now, now + days * DAY_MS));
          const target = events[amends % events.length]!;
          const fresh =
            isAmendment && target.kind !== 'amendment'
              ? {
                  kind: 'amendment' as const,
                  payload: {
                    eventId: target.id,
                    replacement: isWithdrawal ? null : ({ ...content, happenedAt: target.happenedAt } as never),
                  },
                  id: `e${i}`,
                  happenedAt: now,
                }
              : { ...content, id: `e${i}`, happenedAt };
          const hadGlass = fold(events).history.bottled?.bottles.length ?? 0;
          try {
            checkEvents(events, [fresh], now);
          } catch (error) {
            if (!(error instanceof Refusal)) throw error;
            continue;
          }
          events = [...events, { ...fresh, seq: events.length + 1, enteredAt: now }];
          const ledger = fold(events);
          if ((ledger.history.bottled?.bottles.length ?? 0) > hadGlass) {
            closed += 1;
            expect(glassAlarm(ledger), JSON.stringify(events.map(({ kind, payload }) => [kind, payload]))).toBeNull();
          }
        }
      }),
      { numRuns: 300, seed: 5 },
    );
    expect(closed, 'glass was closed at all').toBeGreaterThan(20);
  });
});
