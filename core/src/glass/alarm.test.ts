import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answered, checkEvents } from '../check/index.ts';
import { eventsAt, fold, meadBottled, viewOf } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { DAY_MS, HOUR_MS, Refusal } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { stateOf } from '../watch/index.ts';
import { glassAlarm, isOpen, judge } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
type Row = readonly [day: number, content: EventContent];
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [0.04, yeast],
];
const at = (sg: number, ...days: number[]): Row[] => days.map((day) => [day, reading(sg, 20)]);
const powders = (day: number): Row[] => [
  [day, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.7 } }],
  [day, { kind: 'sorbate', payload: { massG: 1.2 } }],
];
const bottles = (count = 4): EventContent => ({ kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count, kind: 'wine' }] } });
const record = (...rows: Row[]): BatchEvent[] =>
  eventsAt(
    START,
    rows.map(([day, content]) => [24 * day, content] as const).toSorted((a, b) => a[0] - b[0]),
  );
const alarm = (...rows: Row[]): string => plainly(glassAlarm(fold(record(...rows))) ?? []);
const dry = [...must, ...at(0.991, 20, 27, 34)];
const falling = [...must, ...at(1.05, 8), ...at(1.03, 11)];
const stable = [...dry, ...powders(36), ...at(0.991, 38)];
const out = (day: number, end: 'opened' | 'burst' | 'gushed', count: number): Row => [day, { kind: 'bottleOut', payload: { count, end } }];

describe('what has happened is written, and rings', () => {
  it('takes a bottling that the judgement forbids, and rings with what to do, in its order', () => {
    const events = record(...falling);
    expect(() => checkEvents(events, [{ ...bottles(), id: 'b', happenedAt: START + 12 * DAY_MS }], START + 13 * DAY_MS)).not.toThrow();
    const told = alarm(...falling, [12, bottles()]);
    expect(told).toMatch(/should not have been closed.*cover.*cool.*eyes.*outdoors/);
    expect(told).toMatch(/never warm/);
    expect(isOpen(fold(record(...falling, [12, bottles()])))).toBe(true);
    expect(alarm(...dry, [36, bottles()])).toBe('');
  });

  it('stops when no bottle is left, when their gas was let out, or when they prove still since', () => {
    const wrong: Row[] = [...falling, [12, bottles(4)]];
    expect(alarm(...wrong, out(13, 'opened', 3))).not.toBe('');
    expect(alarm(...wrong, out(13, 'opened', 4))).toBe('');
    expect(alarm(...wrong, [13, { kind: 'note', payload: { text: 'all of them vented', mark: 'vented' } }])).toBe('');
    const early: Row[] = [...must, ...at(0.991, 20, 24), [25, bottles(4)]];
    expect(alarm(...early)).not.toBe('');
    expect(alarm(...early, ...at(0.991, 26, 32.9))).not.toBe('');
    expect(alarm(...early, ...at(0.991, 26, 33.1))).toBe('');
    expect(alarm(...early, ...at(0.9885, 26, 33.1))).toMatch(/less than when it was bottled/);
  });

  it('rings anew for what is read after the gas was let out', () => {
    const wrong: Row[] = [...falling, [12, bottles(4)], [13, { kind: 'note', payload: { text: 'vented', mark: 'vented' } }]];
    expect(alarm(...wrong)).toBe('');
    expect(alarm(...wrong, ...at(1.024, 30))).toMatch(/less than when it was bottled/);
  });

  it('takes what stays in the vessel for no proof of the bottles, and its fall for theirs', () => {
    const part: EventContent = { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 2, kind: 'wine' }], stays: true } };
    const early: Row[] = [...must, ...at(0.991, 20, 24), [25, part]];
    expect(alarm(...early, ...powders(26), ...at(0.991, 28, 36))).not.toBe('');
    const fine: Row[] = [...dry, [36, part]];
    expect(alarm(...fine)).toBe('');
    expect(alarm(...fine, ...at(0.9885, 40))).toMatch(/less than when it was bottled/);
    expect(alarm(...fine, [38, water(1)], ...at(0.9885, 40))).toBe('');
  });

  it.each(['burst', 'gushed'] as const)('judges all its sisters by one that %s', (end) => {
    const fine: Row[] = [...dry, [36, bottles(4)]];
    expect(alarm(...fine, out(50, end, 1))).toMatch(/each of them may burst/);
    expect(alarm(...fine, out(50, end, 1), out(51, 'opened', 3))).toBe('');
    expect(alarm(...fine, out(50, end, 1), [51, { kind: 'note', payload: { text: 'vented', mark: 'vented' } }])).toBe('');
  });

  it('rings where a question was never asked, and not where the maker said yes to it', () => {
    const near: Row[] = [...must, ...at(0.9938, 30, 39)];
    const closed = (word?: string): string =>
      alarm(...near, [40, { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }], word } }]);
    expect(judge(fold(record(...near)), START + 40 * DAY_MS).verdict).toBe('ask');
    expect(closed()).toMatch(/Nobody was asked/);
    expect(closed('It rests above its end. Is it to be bottled? Yes.')).toBe('');
    const content = { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }] } } as const;
    const written = answered(fold(record(...near)), content, START + 40 * DAY_MS);
    expect(written).toMatchObject({ payload: { word: expect.stringMatching(/Is it to be bottled as it is\?.* Yes\.$/) as string } });
    expect(alarm(...near, [40, written])).toBe('');
    expect(answered(fold(record(...dry)), content, START + 40 * DAY_MS)).toBe(content);
  });
});

describe('after the bottling', () => {
  const bottled: Row[] = [...stable, [39, honey(200)], ...at(1.004, 40.5), [43, bottles()]];
  const events = record(...bottled);
  const ofKind = (kind: string, n: number): BatchEvent => events.filter((event) => event.kind === kind)[n]!;
  const amended = (target: BatchEvent, replacement: EventContent | null, id = `fix ${target.id}`): BatchEvent => ({
    id,
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
    expect(viewOf(meadBottled(fold(events))!)!.sg).toBeCloseTo(1.004, 3);
    expect(alarmed()).toBe(false);
  });

  it('alarms when what proved it is taken back or corrected, and when honey is told of later', () => {
    expect(alarmed(amended(ofKind('sulfite', 0), null))).toBe(true);
    expect(alarmed(amended(ofKind('sorbate', 0), { kind: 'sorbate', payload: { massG: 0 } }))).toBe(true);
    expect(alarmed(amended(ofKind('reading', 4), reading(0.9995, 20)))).toBe(true);
    const late: BatchEvent = { id: 'late', seq: 901, happenedAt: START + 44 * DAY_MS, enteredAt: START + 60 * DAY_MS, ...honey(100) };
    expect(alarmed(late)).toBe(true);
    expect(stateOf(fold([...events, late]), START + 61 * DAY_MS).phase).toBe('glass in doubt');
    const rain = { ...late, id: 'rain', kind: 'note', payload: { text: 'rain' } } as BatchEvent;
    expect(alarmed(rain)).toBe(false);
  });

  it('takes any correction of a bottling, to more bottles and to more gas, and judges it anew', () => {
    const prime = (massG: number): EventContent => ({
      kind: 'bottling',
      payload: {
        bottles: [{ sizeMl: 500, count: 8, kind: 'new beer', closure: 'crown cap' }],
        prime: { what: 'sucrose', name: 'sugar', massG, where: 'bulk', volumeL: 4.2, warmestC: 20 },
      },
    });
    const primed = record(...dry, [50, prime(25)]);
    const target = primed.find(({ kind }) => kind === 'bottling')!;
    expect(glassAlarm(fold(primed))).toBeNull();
    const more = amended(target, prime(60));
    expect(() => checkEvents(primed, [more], START + 70 * DAY_MS)).not.toThrow();
    expect(plainly(glassAlarm(fold([...primed, more])) ?? [])).toMatch(/bears 4\.0 volumes/);
  });
});

describe('whatever is written, in whatever order', () => {
  const anyDeed: fc.Arbitrary<EventContent> = fc.oneof(
    { weight: 8, arbitrary: fc.constantFrom(0.992, 0.992, 0.992, 0.9915, 0.996, 1.01).map((sg) => reading(sg, 20)) },
    { weight: 2, arbitrary: fc.constantFrom(100, 300).map(honey) },
    fc.constant(water(1)),
    fc.constant(yeast),
    fc.constant(berries(300)),
    fc.constantFrom(0.001, 0.7).map((massG): EventContent => ({ kind: 'sulfite', payload: { salt: 'potassium', massG } })),
    fc.constantFrom(0.001, 1.2).map((massG): EventContent => ({ kind: 'sorbate', payload: { massG } })),
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

  it('glass that the judgement forbids rings until it is settled, amendments, late entries and parcels included', () => {
    const seen = { rings: 0, calm: 0 };
    fc.assert(
      fc.property(fc.array(anyAct, { minLength: 4, maxLength: 26 }), (acts) => {
        let events = record(...must, ...at(0.992, 20, 27));
        let now = START + 30 * DAY_MS;
        for (const [i, { days, content, amends, isAmendment, isWithdrawal }] of acts.entries()) {
          now += 3 * DAY_MS;
          const happenedAt = Math.max(START + 2 * HOUR_MS, Math.min(now, now + days * DAY_MS));
          const target = events[amends % events.length]!;
          const replacement = isWithdrawal ? null : ({ ...content, happenedAt: target.happenedAt } as never);
          const fresh =
            isAmendment && target.kind !== 'amendment'
              ? { kind: 'amendment' as const, payload: { eventId: target.id, replacement }, id: `e${i}`, happenedAt: now }
              : { ...content, id: `e${i}`, happenedAt };
          try {
            checkEvents(events, [fresh], now);
          } catch (error) {
            if (!(error instanceof Refusal)) throw error;
            continue;
          }
          events = [...events, { ...fresh, seq: events.length + 1, enteredAt: now }];
        }
        const { bottled } = fold(events).history;
        if (bottled === null) return;
        const { readings } = fold(events).history;
        const readAfter = (moment: number): number => readings.filter(({ at: readAt }) => readAt > moment).length;
        /** Two readings of opened bottles may prove it still since. */
        const isWrong = bottled.fillings.some(
          ({ mead, at: filledAt }) => readAfter(filledAt) < 2 && judge(mead, filledAt).verdict !== 'open',
        );
        const rings = glassAlarm(fold(events)) !== null;
        if (isWrong) expect(rings, JSON.stringify(events.map(({ kind, payload }) => [kind, payload]))).toBe(true);
        seen[rings ? 'rings' : 'calm'] += 1;
      }),
      { numRuns: 300, seed: 5 },
    );
    expect(Math.min(seen.rings, seen.calm), JSON.stringify(seen)).toBeGreaterThan(10);
  });
});
