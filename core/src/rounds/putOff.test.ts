import { describe, expect, it } from 'vitest';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import { feedingPlanOf } from '../feed/index.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { restartPlan } from '../watch/index.ts';
import { asksOf } from './index.ts';
import type { Ask } from './index.ts';
import { HOUR_MS } from '../quantities/index.ts';

const DAY = 24;
const sg = (gravity: number, tempC = 20): EventContent => ({ kind: 'reading', payload: { sg: gravity, tempC } });
const asksAt = (hour: number, ...more: Happening[]): Ask[] => asksOf(exampleBatch('allround', ...more), null, MIXED_AT + hour * HOUR_MS);
const named = (asks: readonly Ask[], start: string): Ask | undefined => asks.find(({ key }) => key.startsWith(start));
const told = ({ sentence }: Ask): string => sentence.map((part) => (typeof part === 'string' ? part : part.value)).join('');

const STUCK: Happening[] = [
  [3 * DAY, sg(1.08, 16)],
  [6 * DAY, sg(1.06, 11)],
  [9 * DAY, sg(1.06, 10)],
  [13 * DAY, sg(1.06, 10)],
];

describe('what a vessel asks for', () => {
  const falling: Happening[] = [[48, sg(1.095)]];

  it('waits until the time it was put off to, and then asks again', () => {
    const asked = named(asksAt(53, ...falling), 'degas')!;
    expect(asked.bell).toBe('swinging');
    const put: Happening = [53, { kind: 'putOff', payload: { ask: asked.key, told: 'degas', until: MIXED_AT + 60 * HOUR_MS } }];
    expect(named(asksAt(54, ...falling, put), 'degas')).toMatchObject({ bell: 'muffled', dueAt: MIXED_AT + 60 * HOUR_MS });
    expect(named(asksAt(61, ...falling, put), 'degas')?.bell).toBe('swinging');
  });

  it('is left for good with a reason, and a new fact asks anew', () => {
    const overdue = named(asksAt(8 * DAY, ...falling), 'reading')!;
    const put: Happening = [8 * DAY, { kind: 'putOff', payload: { ask: overdue.key, told: 'a reading', reason: 'on a journey' } }];
    expect(named(asksAt(8 * DAY + 1, ...falling, put), 'reading')).toBeUndefined();
    expect(named(asksAt(15 * DAY, ...falling, put, [9 * DAY, sg(1.06)]), 'reading')).toBeDefined();
  });

  it('never puts off a mead that ferments again in what may be closed', () => {
    const moving: Happening[] = [
      [20 * DAY, sg(1.0)],
      [30 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } }],
      [30 * DAY, { kind: 'sorbate', payload: { massG: 1 } }],
      [32 * DAY, sg(1.0)],
      [40 * DAY, sg(0.994)],
    ];
    const alarm = named(asksAt(41 * DAY, ...moving), 'moving')!;
    expect(alarm.bell).toBe('cracked');
    const put: Happening = [41 * DAY, { kind: 'putOff', payload: { ask: alarm.key, told: 'no', reason: 'no' } }];
    expect(named(asksAt(41 * DAY, ...moving, put), 'moving')?.bell).toBe('cracked');
  });

  it.each([
    ['film', /Rack it from under the film/],
    ['vinegar', /does not turn back/],
    ['solvent', /too warm or starved/],
  ] as const)('says what to do about %s', (mark, sentence) => {
    const note: Happening = [50, { kind: 'note', payload: { text: mark, mark } }];
    expect(told(named(asksAt(53, ...falling, note), mark)!)).toMatch(sentence);
    expect(named(asksAt(20 * DAY, ...falling, note), mark)).toBeUndefined();
  });

  it('wants readings closer together the faster it falls', () => {
    const dueAt = (gravity: number): number => {
      const read = exampleBatch('allround', [2 * DAY, sg(gravity)]);
      return named(asksOf(read, feedingPlanOf(read, EXAMPLE_PRACTICE), MIXED_AT + 30 * DAY * HOUR_MS), 'reading')!.dueAt;
    };
    expect(dueAt(1.085)).toBeLessThan(dueAt(1.103));
  });
});

describe('a stall', () => {
  const feeding = feedingPlanOf(exampleBatch('allround'), EXAMPLE_PRACTICE)!;
  const stalledAt = (hour: number, ...more: Happening[]): Ask[] =>
    asksOf(exampleBatch('allround', ...STUCK, ...more), feeding, MIXED_AT + hour * HOUR_MS);
  const warmed = named(stalledAt(13 * DAY + 1), 'stuck')!.done!;
  const warming: Happening = [13 * DAY + 2, warmed.events[0]!];

  it('offers its gentlest cure at one touch, and then waits for what a reading says of it', () => {
    expect(warmed.events).toEqual([{ kind: 'cure', payload: { cure: 'warm', toC: 20 } }]);
    // From 10 to 20 °C, by 3 a day: 80 hours.
    const waiting = stalledAt(14 * DAY, warming);
    expect(named(waiting, 'stuck')).toBeUndefined();
    expect(named(waiting, 'cure')).toMatchObject({ bell: 'muffled', dueAt: MIXED_AT + (13 * DAY + 2 + 80) * HOUR_MS });
    expect(told(named(waiting, 'cure')!)).toMatch(/warming it to 20.*One change at a time/);
    expect(named(stalledAt(17 * DAY, warming), 'cure')).toMatchObject({ bell: 'swinging' });
  });

  it('goes on to the next cure once a reading says that the first did not help, and to none where it did', () => {
    const asked = named(stalledAt(17 * DAY + 1, warming, [17 * DAY, sg(1.06, 20)]), 'stuck')!;
    expect(asked.done!.events[0]).toEqual({ kind: 'cure', payload: { cure: 'rouse' } });
    const helped = stalledAt(17 * DAY + 1, warming, [17 * DAY, sg(1.052, 20)]);
    expect([named(helped, 'stuck'), named(helped, 'cure')]).toEqual([undefined, undefined]);
  });

  it('is measured first where its last reading is old', () => {
    expect(named(stalledAt(20 * DAY), 'stuck')!.done).toBeNull();
  });

  it('is not judged by a reading that comes too soon', () => {
    expect(named(stalledAt(14 * DAY, warming, [13 * DAY + 20, sg(1.06, 12)]), 'cure')?.bell).toBe('muffled');
  });
});

describe('a starter for what is stuck', () => {
  const begun: Happening[] = [...STUCK, [13 * DAY + 1, { kind: 'restart', payload: { volumeL: 6, sg: 1.06 } }]];
  const steps = restartPlan(6, 1.06);

  it('comes up step by step, each a day after the one before', () => {
    const first = named(asksAt(13 * DAY + 2, ...begun), 'starter')!;
    expect(told(first)).toContain(`step 1 of ${steps.length}`);
    const done: Happening = [13 * DAY + 3, first.done!.events[0]!];
    expect(named(asksAt(13 * DAY + 4, ...begun, done), 'starter')).toMatchObject({ bell: 'muffled', done: null });
    expect(told(named(asksAt(14 * DAY + 4, ...begun, done), 'starter')!)).toContain(`step 2 of ${steps.length}`);
    expect(told(named(asksAt(17 * DAY, ...begun, done), 'starter')!)).toMatch(/stop here/);
  });

  it('stays on Rounds when a reading makes the mead look otherwise meanwhile', () => {
    const read: Happening = [13 * DAY + 2, sg(1.056, 20)];
    const asks = asksAt(13 * DAY + 3, ...begun, read);
    expect(named(asks, 'stuck')).toBeUndefined();
    expect(named(asks, 'starter')).toBeDefined();
  });

  it('brings its water and yeast into the record with its last step', () => {
    const all = steps.slice(0, -1).map((_, i): Happening => [13 * DAY + 3 + i, { kind: 'restartStep', payload: { index: i } }]);
    const last = named(asksAt(25 * DAY, ...begun, ...all), 'starter')!;
    const poured = last.done === null ? [] : last.done.events;
    expect(poured.map(({ kind }) => kind)).toEqual(['restartStep', 'water', 'yeast', 'nutrient']);
    // Half of a sixteenth of 6 L is water.
    expect(poured.find(({ kind }) => kind === 'water')?.payload).toEqual({ volumeL: 6 / 32 });
    const ended = exampleBatch('allround', ...begun, ...all, ...poured.map((content): Happening => [25 * DAY, content]));
    const before: Ledger = exampleBatch('allround', ...begun, ...all);
    expect(ended.liquid.waterG - before.liquid.waterG).toBeCloseTo((6 / 32) * 998.2, 0);
    expect(named(asksOf(ended, null, MIXED_AT + 26 * DAY * HOUR_MS), 'starter')).toBeUndefined();
  });
});
