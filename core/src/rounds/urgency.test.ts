import { checkEvent } from '../check/index.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import { feedingPlanOf } from '../feed/index.ts';
import { forecastInputOf } from '../course/index.ts';
import { anyHappening } from '../testing/anyHappening.ts';
import { honey, water, yeast } from '../testing/examples.ts';
import { fold, sgAtShare } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { HOUR_MS, Refusal } from '../quantities/index.ts';
import { gatesOf } from '../stabilize/index.ts';
import { ASK_RULES } from './asks/index.ts';
import { asksOf, byUrgency } from './index.ts';
import type { Ask } from './index.ts';

const DAY = 24;
const after = (hour: number): number => MIXED_AT + hour * HOUR_MS;
const sg = (gravity: number, tempC = 20): EventContent => ({ kind: 'reading', payload: { sg: gravity, tempC } });
const feeding = feedingPlanOf(exampleBatch('allround'), EXAMPLE_PRACTICE);

describe('what is most pressing', () => {
  const KINDS = Object.keys(ASK_RULES);
  const named = (key: string, bell: Ask['bell'], dueH: number): Ask => ({
    key,
    kind: key.split(' ')[0]!,
    harm: KINDS.indexOf(key.split(' ')[0]!),
    mayWait: true,
    bell,
    dueAt: after(dueH),
    sentence: [],
    station: 'watch',
    done: null,
  });

  it('is what does most harm by waiting, not what was due first', () => {
    const [stuck, glass] = [named('stuck 1', 'cracked', 0), named('moving 1', 'cracked', 50)];
    const [degas, dose, reading] = [named('degas', 'swinging', 0), named('dose 2', 'swinging', 40), named('reading 1', 'swinging', 0)];
    expect([reading, degas, dose, stuck, glass].sort(byUrgency)).toEqual([glass, stuck, dose, degas, reading]);
  });

  it('comes in the order of its time while it only waits', () => {
    const [dose, confirm] = [named('dose 2', 'muffled', 40), named('confirm 1', 'muffled', 20)];
    expect([dose, confirm].sort(byUrgency)).toEqual([confirm, dose]);
  });

  it('gives every ask its place in the order of the table', () => {
    const keys = [
      ...asksOf(exampleBatch('allround'), feeding, after(26)),
      ...asksOf(exampleBatch('allround', [50, sg(1.09)]), null, after(150)),
      ...asksOf(exampleBatch('allround', [5 * DAY, sg(1.06, 11)], [10 * DAY, sg(1.06, 11)]), null, after(10 * DAY)),
      ...asksOf(exampleBatch('allround', [19 * DAY, sg(0.998)]), null, after(40 * DAY)),
    ].filter(({ bell }) => bell !== 'still');
    expect(keys.length).toBeGreaterThan(3);
    for (const each of keys) expect(each.harm, each.key).toBe(KINDS.indexOf(each.kind));
  });
});

describe('whatever was written', () => {
  /** As the server refuses it, an event that cannot have happened is left out. */
  const written = (contents: readonly EventContent[]): BatchEvent[] => {
    const events: BatchEvent[] = [];
    contents.forEach((content, i) => {
      const event = { ...content, happenedAt: after(9 * i), id: `${i}`, seq: i + 1, enteredAt: after(9 * i) };
      try {
        checkEvent(events, event, after(9 * i));
        events.push(event);
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
      }
    });
    return events;
  };

  it('a vessel has a state and asks for something or nothing, and is never at a loss', () => {
    const must = [honey(1500), water(4), yeast];
    fc.assert(
      fc.property(fc.array(anyHappening, { maxLength: 30 }), fc.boolean(), (more, isMead) => {
        const events = written([...(isMead ? must : []), ...more]);
        const now = after(9 * (more.length + 4));
        const record = fold(events);
        expect(asksOf(record, feedingPlanOf(record, EXAMPLE_PRACTICE), now).length).toBeGreaterThan(0);
        expect(gatesOf(record, now)).toHaveLength(6);
        const wish = { now, horizonDays: 90, members: 1, seed: 1, roomTempC: 18, organicCredit: 1 };
        const input = forecastInputOf(record, wish);
        if (input !== null) expect(Number.isFinite(sgAtShare(record, 0) + sgAtShare(record, 1) + input.setting.sugarGPerL)).toBe(true);
      }),
      { numRuns: 300, seed: 5 },
    );
  });
});
