import { describe, expect, it } from 'vitest';
import { fold } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { checkDoses, courseOf, feedingNow, feedingPlanOf, feedingWorkings, readDoseHours, smellCauses, smellsOfSulfur } from './index.ts';
import { expectedAt, expectedShare } from '../course/index.ts';
import { nitrogenNeedRange } from '../nitrogen/index.ts';
import { planFeeding } from './schedule.ts';
import type { FeedingPractice } from './index.ts';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { HOUR_MS, plainly } from '../quantities/index.ts';

const START = MIXED_AT;
const HOUR = HOUR_MS;
const practice: FeedingPractice = { ...EXAMPLE_PRACTICE, school: 'gravity' };
const at = (...more: Happening[]) => exampleBatch('allround', ...more);
const reading = (sg: number, tempC?: number): EventContent => ({
  kind: 'reading',
  payload: { sg, ...(tempC === undefined ? {} : { tempC }) },
});
const told = (ledger: Ledger, h: number, over: Partial<FeedingPractice> = {}): string =>
  feedingNow(feedingPlanOf(ledger, { ...practice, ...over })!, ledger, START + h * HOUR)
    .changes.flat()
    .map((part) => (typeof part === 'string' ? part : part.value.toFixed(2)))
    .join('');

describe('the pace of a must', () => {
  const courseAt = (...more: Happening[]) => {
    const ledger = at(...more);
    return courseOf(feedingPlanOf(ledger, practice)!, ledger)!;
  };

  it('is what is usual before a reading tells, and slower in the cold', () => {
    const usual = courseAt();
    expect(usual).toMatchObject({ share: 0, isMeasured: false });
    const third = (expectedAt(usual, 1 / 3) - usual.pitchedAt) / HOUR;
    expect(third).toBeGreaterThan(48);
    expect(third).toBeLessThan(168);
    const cold = courseAt([2, { kind: 'reading', payload: { tempC: 12 } }]);
    expect(expectedAt(cold, 1 / 3)).toBeGreaterThan(expectedAt(usual, 1 / 3) + 24 * HOUR);
    const ledger = fold([]);
    expect(feedingPlanOf(ledger, practice)).toBeNull();
  });

  it('agrees with itself forward and back, and never falls behind its last reading', () => {
    const course = courseAt([30, reading(1.08)]);
    expect(course.isMeasured).toBe(true);
    expect(expectedShare(course, course.at)).toBeGreaterThanOrEqual(course.share);
    expect(expectedAt(course, course.share)).toBe(course.at);
    for (const share of [0.45, 0.6, 0.8]) expect(expectedShare(course, expectedAt(course, share))).toBeCloseTo(share, 6);
  });

  it('comes by the sugar sooner or later as the must goes, and never in the past', () => {
    const dueOf = (ledger: Ledger, h: number, number: number): number => {
      const dose = feedingNow(feedingPlanOf(ledger, practice)!, ledger, START + h * HOUR).doses[number - 1]!;
      return (dose.expectedAt - START) / HOUR;
    };
    const fast = at([20, reading(1.098, 20)]);
    const slow = at([20, reading(1.106, 20)]);
    expect(dueOf(fast, 21, 3)).toBeLessThan(dueOf(slow, 21, 3));
    expect(dueOf(fast, 90, 3)).toBeGreaterThanOrEqual(90);
    // Gone cold since: half as fast for ten degrees.
    const cold = at([20, reading(1.098, 20)], [21, { kind: 'reading', payload: { tempC: 10 } }]);
    expect(dueOf(cold, 21, 3)).toBeGreaterThan(dueOf(fast, 21, 3));
    expect(told(cold, 21)).toMatch(/At 10\.00 and at its pace so far/);
    expect(told(cold, 21)).toMatch(/colder than this yeast likes, 15\.00/);
  });

  it('warns where the third break comes before a dose of the clock', () => {
    expect(told(at([24, reading(1.088)]), 25, { school: 'clock' })).toMatch(/before dose[s]? .*: read the gravity then/);
    expect(told(at([24, reading(1.108)]), 25, { school: 'clock' })).not.toMatch(/read the gravity then/);
  });
});

describe('hours and doses of one’s own', () => {
  it.each([
    ['24, 48, 72', [24, 48, 72]],
    ['72 24;48', [24, 48, 72]],
    ['', []],
  ])('reads “%s”', (typed, hours) => expect(readDoseHours(typed)).toEqual(hours));
  it.each([
    ['-5, 24', /before the pitch/],
    ['24, 900', /more than a month/],
    ['soon', /not a number/],
    ['1 2 3 4 5 6 7 8 9 10 11', /more than anyone/],
  ])('refuses “%s”', (typed, why) => expect(() => readDoseHours(typed)).toThrow(why));

  const dose = (clockH: number, source: 'dap' | 'organic', gPerL: number, share: number | null = null) => ({
    clockH,
    share,
    parts: [{ product: { source }, gPerL }],
  });
  it.each([
    [[dose(2, 'dap', 0.1)], /holds diammonium phosphate: ammonium goes in from hour 6/],
    [[dose(90, 'dap', 0.1, 1 / 3)], /before the third break/],
    [[dose(24, 'dap', 0.6), dose(48, 'dap', 0.6)], /the cap allows 203/],
    [[dose(-1, 'organic', 1)], /before the pitch/],
    [[{ clockH: 24, share: null, parts: [{ product: { source: 'organic' as const, capGPerL: 2 }, gPerL: 3 }] }], /packet allows/],
  ])('refuses worked-out doses that break a rule, %#', (setDoses, why) => {
    expect(() => checkDoses(setDoses, practice)).toThrow(why);
    expect(() => planFeeding({ sugarGPerL: 200, demand: 'low', broughtMgPerL: 0 }, { ...practice, school: 'set', setDoses })).toThrow(why);
  });
});

describe('worked-out doses that were written down and read again', () => {
  const organic = { source: 'organic' as const, capGPerL: 2 };
  const setDoses = [24, 48, 72].map((clockH) => ({ clockH, share: null, parts: [{ product: organic, gPerL: 0.9 }] }));
  const readAgain = JSON.parse(JSON.stringify(setDoses)) as typeof setDoses;

  it('are held to a packet’s cap over all doses', () => {
    expect(() => checkDoses(readAgain, practice)).toThrow(/packet allows/);
    const within = readAgain.map((each) => ({ ...each, parts: each.parts.map((part) => ({ ...part, gPerL: 0.6 })) }));
    expect(() => checkDoses(within, practice)).not.toThrow();
    const plan = planFeeding({ sugarGPerL: 300, demand: 'high', broughtMgPerL: 0 }, { ...practice, school: 'set', setDoses: within });
    const ledger = at([30, { kind: 'nutrient', payload: { source: 'organic', massG: 6, dose: 1 } }]);
    const grams = feedingNow(plan, ledger, START + 31 * HOUR)
      .doses.flatMap(({ parts }) => parts)
      .reduce((sum, { massG }) => sum + massG, 0);
    expect(grams).toBeLessThanOrEqual(2 * 6.1);
  });

  it('are told in the working as one product', () => {
    const plan = planFeeding(
      { sugarGPerL: 300, demand: 'high', broughtMgPerL: 0 },
      {
        ...practice,
        school: 'set',
        setDoses: readAgain.map((each) => ({ ...each, parts: [{ product: { source: 'organic' }, gPerL: 0.9 }] })),
      },
    );
    const told = feedingWorkings(plan, at().history.pitch)!.supply.inputs.filter(({ name }) => name === 'organic nutrient');
    expect(told).toHaveLength(1);
    expect(plainly(told[0]!.shown)).toContain('2.70 g/L');
  });
});

describe('a demand that no packet states', () => {
  it('is fed as medium, and its need carries the whole range', () => {
    expect(nitrogenNeedRange(200, 'unknown')).toEqual({ value: 180, low: 150, high: 250 });
    expect(nitrogenNeedRange(200, 'high')).toEqual({ value: 250, low: 250, high: 250 });
  });
});

describe('a smell of sulfur', () => {
  const smell: EventContent = { kind: 'note', payload: { text: 'smells', mark: 'sulfur' } };
  const causes = (ledger: Ledger, h: number) => {
    const found = smellCauses(feedingPlanOf(ledger, { ...practice, school: 'clock' })!, ledger, START + h * HOUR);
    return Object.fromEntries(found.map(({ id, verdict }) => [id, verdict]));
  };
  const stirred: EventContent = { kind: 'note', payload: { text: 'stirred', mark: 'stirred' } };

  it('is blamed on nitrogen where a dose is due or was missed', () => {
    expect(causes(at([28, smell], [28, stirred], [28, { kind: 'reading', payload: { tempC: 20 } }]), 29)).toEqual({
      nitrogen: 'blamed',
      temperature: 'cleared',
      oxygen: 'cleared',
    });
  });

  it('is blamed on heat and on missing air where feeding is as planned', () => {
    expect(causes(at([12, smell], [12, { kind: 'reading', payload: { tempC: 31 } }]), 13)).toEqual({
      nitrogen: 'cleared',
      temperature: 'blamed',
      oxygen: 'blamed',
    });
  });

  it('never asks for air past the third break', () => {
    expect(causes(at([50, reading(1.06)], [51, smell]), 52)['oxygen']).toBe('cleared');
    expect(causes(at([50, reading(1.06)], [51, smell]), 52)['temperature']).toBe('unknown');
  });

  it('is remembered for five days', () => {
    const ledger = at([28, smell]);
    expect(smellsOfSulfur(ledger, START + 29 * HOUR)).toBe(true);
    expect(smellsOfSulfur(ledger, START + 200 * HOUR)).toBe(false);
    expect(smellsOfSulfur(at(), START + 29 * HOUR)).toBe(false);
  });
});
