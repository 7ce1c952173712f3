import { describe, expect, it } from 'vitest';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { feedingPlanOf } from '../feed/index.ts';
import { fold } from '../record/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { asksOf, calendarOf } from './index.ts';
import { HOUR_MS } from '../quantities/index.ts';

const at = (hour: number, ...more: Happening[]) => {
  const ledger = exampleBatch('allround', ...more);
  const feeding = feedingPlanOf(ledger, EXAMPLE_PRACTICE);
  const now = MIXED_AT + hour * HOUR_MS;
  return { ledger, entries: calendarOf(ledger, feeding, now), asks: asksOf(ledger, feeding, now) };
};
const words = (sentence: Sentence): string => sentence.map((part) => (typeof part === 'string' ? part : '')).join('');
const fed = (dose: number, hour: number): Happening => [hour, { kind: 'nutrient', payload: { source: 'organic', massG: 8, dose } }];

describe('what has a date', () => {
  it('is every dose that is still to come, in order, with its grams and no time in its words', () => {
    const { entries } = at(2);
    expect(entries.map(({ id }) => id)).toEqual(['dose 1', 'dose 2', 'dose 3', 'dose 4']);
    expect(entries.map(({ at: due }) => (due - MIXED_AT) / HOUR_MS)).toEqual([25, 49, 73, expect.any(Number)]);
    for (const { summary } of entries) {
      const kinds = summary.flatMap((part) => (typeof part === 'string' ? [] : [part.kind]));
      expect(kinds).toContain('massG');
      expect(kinds).not.toContain('when');
    }
  });

  it('is no dose that was given', () => {
    expect(at(30, fed(1, 25)).entries.map(({ id }) => id)).toEqual(['dose 2', 'dose 3', 'dose 4']);
  });

  it('is the bag that comes out, and the reading that proves an end', () => {
    const composition = { sugar: 0.06, unfermentable: 0.02, insoluble: 0.043, ammoniumNMgPerKg: 10, aminoNMgPerKg: 70, acidGPerKg: 22 };
    const bag: Happening = [
      0.5,
      {
        kind: 'ingredient',
        payload: { name: 'gooseberries', family: 'fruit', makes: 'fruit', massG: 900, composition, sugarSpread: 0.3, bagDays: 7 },
      },
    ];
    const told = at(60, bag).entries.map(({ summary }) => words(summary));
    expect(told).toContain('Lift out the bag of gooseberries');
    const ended = at(31 * 24, [30 * 24, { kind: 'reading', payload: { sg: 0.996 } }]).entries;
    expect(ended.map(({ summary }) => words(summary))).toEqual(['Read the gravity again, to prove that it has stopped']);
    expect(ended[0]!.at).toBe(MIXED_AT + 44 * 24 * HOUR_MS);
  });

  it('is nothing before the yeast is in', () => {
    expect(calendarOf(fold([]), null, MIXED_AT)).toEqual([]);
  });
});

describe('a dose by the sugar', () => {
  it('asks for a reading where the pace says that it may be due', () => {
    const ledger = exampleBatch('allround', fed(1, 13), [30, { kind: 'reading', payload: { sg: 1.099 } }]);
    const feeding = feedingPlanOf(ledger, { ...EXAMPLE_PRACTICE, school: 'gravity' });
    const [first] = asksOf(ledger, feeding, MIXED_AT + 50 * HOUR_MS);
    expect(first).toMatchObject({ bell: 'swinging', station: 'watch' });
    expect(words(first!.sentence)).toMatch(/comes by the sugar, and may be due at this pace: read the gravity/);
  });
});

describe('a smell of sulfur', () => {
  it('is asked about with its likeliest cause, until five days are over', () => {
    const smell: Happening = [60, { kind: 'note', payload: { text: 'smells', mark: 'sulfur' } }];
    const asked = at(61, smell).asks.map(({ sentence }) => words(sentence));
    expect(asked.some((told) => /^It smells of sulfur\./.test(told) && /lacking/.test(told))).toBe(true);
    expect(at(200, smell).asks.some(({ sentence }) => words(sentence).includes('sulfur'))).toBe(false);
  });
});
