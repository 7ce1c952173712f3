import { DEFAULT_PRACTICE, feedingPracticeOf } from '@hollow-bell/contract';
import { feedingNow, feedingPlanOf, nitrogenStaircase } from '@hollow-bell/core/feed';
import type { DoseNow } from '@hollow-bell/core/feed';
import { eventsAt, fold, viewOf } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import DoseRow from './DoseRow.vue';
import NitrogenStairs from './NitrogenStairs.vue';
import RaisePh from './RaisePh.vue';
import SchoolFields from './SchoolFields.vue';
import { axisPosition, nitrogenBands, stackAt, topOf } from './nitrogen/drawing.ts';

const START = Date.UTC(2026, 2, 1, 18);
const HOUR = 3_600_000;
const rows: [number, EventContent][] = [
  [0, { kind: 'honey', payload: { name: 'heather', massG: 2050, moisture: 0.172, unfermentable: 0.032 } }],
  [0, { kind: 'water', payload: { volumeL: 4.6 } }],
  [0, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 6 } }],
];
const fed: [number, EventContent] = [25, { kind: 'nutrient', payload: { source: 'organic', massG: 6, dose: 1 } }];
function at(hour: number, ...more: [number, EventContent][]) {
  const ledger = fold(eventsAt(START, [...rows, ...more]));
  const feeding = feedingPlanOf(ledger, feedingPracticeOf({ practice: DEFAULT_PRACTICE }))!;
  const now = START + hour * HOUR;
  const progress = feedingNow(feeding, ledger, now);
  return { ledger, feeding, progress, now };
}
const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replace(/\s+/g, ' ').trim();

beforeEach(() => {
  setActivePinia(createPinia());
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server here')));
});

describe('the nitrogen drawing', () => {
  const drawn = (hour: number, ...more: [number, EventContent][]) => {
    const { ledger, feeding, progress, now } = at(hour, ...more);
    return nitrogenStaircase(feeding, progress, ledger, now)!;
  };
  const frame = { width: 600, height: 170 };

  it('stacks honey, what was given and what comes, up to the need', () => {
    const staircase = drawn(26, fed);
    const bands = nitrogenBands(staircase, 'clock', frame, staircase.needMgPerL);
    expect(bands.map(({ kind, isAhead }) => `${kind}${isAhead ? ' ahead' : ''}`)).toEqual([
      'honey',
      'amino',
      'amino ahead',
      'ammonium ahead',
    ]);
    const highest = Math.min(
      ...bands
        .at(-1)!
        .path.match(/[\d.]+ [\d.]+/g)!
        .map((point) => Number(point.split(' ')[1])),
    );
    // What the need leaves uncovered at the top is what dose 1 left out of its DAP, beyond half as much again for the rest.
    expect(highest).toBeGreaterThanOrEqual(-0.1);
    expect(highest).toBeLessThan(0.2 * frame.height);
  });

  it('stands a dose where its hour is, or where its sugar is', () => {
    const staircase = drawn(26, fed);
    const [first] = staircase.stairs;
    expect(axisPosition(staircase, 'clock')(first!)).toBeCloseTo(25 / staircase.lastHour, 9);
    expect(axisPosition(staircase, 'gravity')({ hour: 0, share: 0 })).toBe(0);
    expect(axisPosition(staircase, 'gravity')(staircase.half)).toBeLessThanOrEqual(1);
    expect(stackAt(staircase, 'clock', { hour: 1, share: 0 })).toBeCloseTo(20, 9);
  });

  it('hangs what came too late beside the stairs, hatched', () => {
    const sugarGone: [number, EventContent] = [40, { kind: 'reading', payload: { sg: 1.02 } }];
    const staircase = drawn(41, fed, sugarGone);
    expect(staircase.wasted.length).toBeGreaterThan(0);
    expect(topOf(staircase)).toBeGreaterThan(staircase.needMgPerL);
    const { ledger, feeding, progress, now } = at(41, fed, sugarGone);
    const drawing = mount(NitrogenStairs, { props: { ledger, feeding, progress, now } });
    expect(drawing.findAll('rect.late')).toHaveLength(staircase.wasted.length);
    expect(plain(drawing.attributes('aria-label') ?? '')).toMatch(/^Nitrogen against a need of \d+ mg\/L: honey 20 mg\/L, dose 1/);
  });

  it('tells liters or the whole vessel, and changes its axis', async () => {
    const { ledger, feeding, progress, now } = at(26, fed);
    const drawing = mount(NitrogenStairs, { props: { ledger, feeding, progress, now } });
    const button = (name: string) => drawing.findAll('button').find((each) => each.text() === name)!;
    await button('in the vessel').trigger('click');
    const grams = (feeding.needMgPerL * viewOf(ledger)!.volumeL) / 1000;
    expect(plain(drawing.text())).toContain(`need ${grams.toFixed(1)} g N`);
    await button('by the gravity').trigger('click');
    expect(plain(drawing.text())).toContain('1.10');
    expect(plain(drawing.text())).not.toContain('day 2');
  });
});

describe('a dose', () => {
  const row = (dose: DoseNow) =>
    mount(DoseRow, { props: { dose, pitchedAt: START, busy: false }, global: { stubs: { DegasFirst: true } } });

  it('says grams and teaspoons, and gives what was weighed', async () => {
    const { progress } = at(26);
    const dose = row(progress.doses[0]!);
    expect(plain(dose.text())).toMatch(/Dose 1: [\d.]+ g organic nutrient \(about [\d.]+ tsp\) and [\d.]+ g diammonium phosphate/);
    expect(dose.find('degas-first-stub').exists()).toBe(true);
    await dose.find('.el-button--primary').trigger('click');
    const given = dose.emitted<[{ massG: number }[]]>('give')?.[0]?.[0];
    expect(given?.map(({ massG }) => massG)).toEqual(progress.doses[0]!.parts.map(({ massG }) => Math.round(massG * 10) / 10));
  });

  it('writes what was really given, typed by its spoon too, and nothing that cannot be read', async () => {
    const { progress } = at(26);
    const dose = row(progress.doses[0]!);
    await dose.findAll('.el-button').at(-1)!.trigger('click');
    const [organic] = dose.findAll('input');
    await organic!.setValue('2 tsp of');
    expect(dose.find('form .el-button').attributes('disabled')).toBe('');
    await organic!.setValue('2 tsp');
    await dose.find('form').trigger('submit');
    const [[parts]] = dose.emitted('give') as [[{ massG: number }[]]];
    expect(parts[0]!.massG).toBeCloseTo(5.6, 9);
  });

  it('says why it does not come', () => {
    const { progress } = at(50);
    expect(plain(row(progress.doses[0]!).text())).toMatch(/Dose 1\s*: missed$/);
  });
});

describe('hours of one’s own', () => {
  it('keep what was typed where it cannot be, and say why', async () => {
    const fields = mount(SchoolFields, { props: { modelValue: { ...DEFAULT_PRACTICE, school: 'own' } } });
    const hours = fields.find<HTMLInputElement>('.hours input');
    await hours.setValue('-3, 24');
    expect(fields.find('[role="alert"]').text()).toContain('before the pitch');
    expect(hours.element.value).toBe('-3, 24');
    expect(fields.emitted('update:modelValue')).toBeUndefined();
    await hours.setValue('12, 36');
    expect(fields.emitted<[{ ownHours: number[] }]>('update:modelValue')![0]![0].ownHours).toEqual([12, 36]);
  });
});

describe('raising the pH', () => {
  it('offers half first, and gives that', async () => {
    const trial = { way: 'trial', salt: 'bicarbonate', v: null, sample: 100, added: 0.1, before: null, perL: null, after: null, to: null };
    const panel = mount(RaisePh, { props: { modelValue: trial, volumeL: 5 } });
    expect(plain(panel.find('[data-test="answer"]').text())).toContain('First, half of it2.5 g potassium bicarbonate');
    await panel.find('.el-button').trigger('click');
    expect(panel.emitted('give')).toEqual([['bicarbonate', 2.5]]);
  });
});
