import { describe, expect, it } from 'vitest';
import { sgAtShare, tempsSincePitch, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { TOO_LATE_SHARE } from '../yeast/index.ts';
import { doseFor, feedingFaults, feedingNow } from './index.ts';
import { planFeeding } from './schedule.ts';
import { TOGETHER_H } from './doseFor.ts';
import { FEEDING_ENDS_DAYS } from './pastFeeding.ts';

const cap = EXAMPLE_PRACTICE.dapCapGPerL;
const plan = planFeeding({ sugarGPerL: 280, demand: 'high', broughtMgPerL: 10 }, EXAMPLE_PRACTICE);
const batch = (...more: Happening[]): Ledger => exampleBatch('strong', ...more);
const volumeL = viewOf(batch())!.volumeL;
const dap = (massG: number, dose?: number): EventContent => ({ kind: 'nutrient', payload: { source: 'dap', massG, dose } });
const organic = (massG: number, dose?: number): EventContent => ({ kind: 'nutrient', payload: { source: 'organic', massG, dose } });
const reading = (sg: number): EventContent => ({ kind: 'reading', payload: { sg, tempC: 20, calibrationC: 20 } });
const at = (hours: number): number => MIXED_AT + hours * HOUR_MS;
const planned = (number: number, source: 'organic' | 'dap'): number =>
  plan.doses.find((dose) => dose.number === number)!.parts.find(({ product }) => product.source === source)!.gPerL * volumeL;

describe('what is given within hours of a dose', () => {
  const given = { source: 'dap', massG: 0.8 } as const;

  it('belongs to it, whichever product came first', () => {
    const begun = batch([25, organic(planned(1, 'organic'), 1)]);
    expect(doseFor(plan, begun, given, at(25.1))).toBe(1);
  });

  it('belongs to it for six hours and no longer', () => {
    const begun = batch([25, organic(planned(1, 'organic'), 1)]);
    expect(doseFor(plan, begun, given, at(25 + TOGETHER_H - 0.1))).toBe(1);
    expect(doseFor(plan, begun, given, at(25 + TOGETHER_H + 0.1))).toBe(2);
  });

  it('belongs to it until its part is given', () => {
    const almost = batch([25, dap(0.89 * planned(1, 'dap'), 1)]);
    const full = batch([25, dap(0.91 * planned(1, 'dap'), 1)]);
    expect(doseFor(plan, almost, given, at(26))).toBe(1);
    expect(doseFor(plan, full, given, at(26))).toBe(2);
    expect(doseFor(plan, full, { source: 'organic', massG: 1 }, at(26)), 'the other part is still open').toBe(1);
  });

  it('keeps its day of the next dose: two products, one dose', () => {
    const fed = batch([25, organic(planned(1, 'organic'), 1)], [25.1, dap(planned(1, 'dap'), 1)]);
    expect(feedingNow(plan, fed, at(30)).doses.map(({ state }) => state)).toEqual(['given', 'ahead', 'ahead', 'ahead']);
  });
});

describe('feeding that was never marked', () => {
  const states = (ledger: Ledger, now: number): string[] => feedingNow(plan, ledger, now).doses.map(({ state }) => state);
  const isOver = (ledger: Ledger, now: number): boolean => states(ledger, now).every((state) => state === 'too late');
  const rack: Happening = [60, { kind: 'rack', payload: { volumeL: volumeL - 0.4 } }];

  it.each<[string, Ledger, number, boolean]>([
    ['two weeks after the pitch', batch(), at(1) + FEEDING_ENDS_DAYS * DAY_MS, false],
    ['later', batch(), at(1) + FEEDING_ENDS_DAYS * DAY_MS + 1, true],
    ['before half the sugar', batch([60, reading(sgAtShare(batch(), TOO_LATE_SHARE - 0.02))]), at(61), false],
    ['past half the sugar', batch([60, reading(sgAtShare(batch(), TOO_LATE_SHARE + 0.02))]), at(61), true],
    ['off the lees', batch(rack), at(61), true],
    ['on the lees', batch(), at(61), false],
  ])('%s', (_name, ledger, now, over) => {
    expect(isOver(ledger, now)).toBe(over);
  });

  it('gives nothing by a plan whose doses came too late', () => {
    const now = feedingNow(plan, batch(), at(1) + 80 * DAY_MS);
    expect(now.wantedMg).toBeGreaterThan(0);
    expect(now.givesMgPerL).toBe(0);
  });
});

describe('warmth', () => {
  it('is what was read since the pitch: a warm sample of the fresh must says nothing of how it ferments', () => {
    const warm = (tempC: number): EventContent => ({ kind: 'reading', payload: { tempC } });
    expect(tempsSincePitch(batch([0.5, warm(30)], [40, warm(22)])).map(({ tempC }) => tempC)).toEqual([22]);
  });
});

describe('what was given against the rules', () => {
  const faults = (...more: Happening[]): string[] => feedingFaults(batch(...more), cap).map(plainly);

  it.each<[string, Happening[], Happening[], RegExp]>([
    ['over the cap', [[30, dap(cap * volumeL * 1.01)]], [[30, dap(cap * volumeL * 1.03)]], /over the .* that is allowed\. Give no more/],
    ['with the pitch', [[7, dap(1)]], [[6.9, dap(1)]], /stresses yeast that wakes up/],
    ['with the pitch, in the same minute', [[0.9, dap(1)]], [[1, dap(1)]], /0 h after the pitch/],
    [
      'in alcohol',
      [
        [60, reading(1.045)],
        [61, dap(1)],
      ],
      [
        [60, reading(1.035)],
        [61, dap(1)],
      ],
      /hardly taken up/,
    ],
    ['with urea', [[30, dap(1)]], [[30, { kind: 'nutrient', payload: { source: 'cutDap', massG: 1 } }]], /carbamate/],
  ])('%s', (_name, plain, wrong, sentence) => {
    expect(faults(...plain)).toEqual([]);
    expect(faults(...wrong).join(' ')).toMatch(sentence);
  });

  it('stays on the page for what was given by hand, without a dose of the plan', () => {
    expect(faults([30, dap(50)])[0]).toMatch(/As much ammonium is in as/);
  });
});
