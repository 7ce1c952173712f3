import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { Shelved } from '@hollow-bell/contract';
import { honeyComposition } from '@hollow-bell/core/ingredients';
import { brewDay, planOf, plannedFrom, plannedHoney, predictMust } from '@hollow-bell/core/must';
import type { PlannedIngredient } from '@hollow-bell/core/must';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Component } from 'vue';
import { usePractice } from '../../stores/practice.ts';
import BrewStepRow from './BrewStepRow.vue';
import PourLine from './PourLine.vue';
import ReadingHelp from '../watch/ReadingHelp.vue';
import ShelfRow from '../shelf/ShelfRow.vue';

const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replace(/\s+/g, ' ').trim();
const show = (component: Component, props: object) => mount(component, { props: props as Record<string, unknown> });
const inputLabeled = (wrapper: ReturnType<typeof show>, label: string) => {
  const field = wrapper.findAll('.field').find((each) => each.find('label').text() === label);
  if (field === undefined) throw new Error(`no field “${label}”`);
  return field.find<HTMLInputElement>('input');
};

beforeEach(() => {
  setActivePinia(createPinia());
  usePractice().saved = DEFAULT_PRACTICE;
});

describe('a line of the pour list', () => {
  const line = (over: Partial<PlannedIngredient> = {}, leftG: number | null = null) =>
    show(PourLine, { line: plannedFrom('juice-apple', 900, over), leftG, last: false });

  it('says what it is and what the shelf lacks', () => {
    expect(plain(line({}, 400).text())).toContain('apple juice11 % sugar, shelf has 400 g');
    expect(plain(line({ stage: 'during', bagDays: 5 }).text())).toContain('bag, 5 d, while it ferments');
    expect(plain(show(PourLine, { line: plannedHoney('heather', 500, 0.19), leftG: null, last: true }).text())).toContain(
      'heather honey19 % water',
    );
  });

  it('locks, opens, and passes on every figure of its lot', async () => {
    const row = line();
    await row.find('[aria-label="Let apple juice move"]').trigger('click');
    expect(row.emitted('change')!.at(-1)).toEqual([{ lock: 'free' }]);
    await row.find('.what').trigger('click');
    await inputLabeled(row, 'it reads').setValue('14');
    const [{ composition }] = row.emitted('change')!.at(-1) as [{ composition: { sugar: number } }];
    expect(composition.sugar).toBeCloseTo(0.126, 6);
    const acid = inputLabeled(row, 'acid in it');
    await acid.setValue('-3');
    await acid.trigger('blur');
    expect(row.find('[role="alert"]').text()).toContain('must lie between 0 and 1200');
    await row.findAll('.link').at(-1)!.trigger('click');
    expect(row.emitted('remove')).toHaveLength(1);
  });
});

describe('a step of the brew day', () => {
  const plan = planOf([plannedHoney('linden', 1200), plannedFrom('gooseberry', 800)], 3);
  const steps = brewDay(plan, predictMust(plan), { fruit: 'sulfite', pecticEnzyme: false, mustSulfite: false, pitch: 'sprinkle' });
  const row = (id: string, over: object = {}) =>
    show(BrewStepRow, {
      step: steps.find((step) => step.id === id),
      doneAt: null,
      batchId: 'b',
      busy: false,
      blocked: false,
      amount: 3,
      now: 0,
      ...over,
    });

  it('is done with what was planned, or with what was really poured', async () => {
    const water = row('water');
    expect((water.find('input').element as HTMLInputElement).value).toBe('3.00');
    await water.find('input').setValue('3.4');
    expect(water.emitted('update:amount')!.at(-1)).toEqual([3.4]);
    await water.find('input').setValue('3.4 x');
    expect(water.emitted('update:amount')!.at(-1)).toEqual([null]);
    await water.find('[role="checkbox"]').trigger('click');
    expect(water.emitted('done')).toHaveLength(1);
    await water.setProps({ blocked: true });
    expect(water.find('[role="checkbox"]').attributes('disabled')).toBe('');
  });

  it('once done, cannot be done again, and says how long to wait', () => {
    const at = Date.UTC(2026, 4, 4, 10);
    const sulfite = row('sulfite', { doneAt: at, now: at + 3_600_000 });
    expect(sulfite.find('[role="checkbox"]').attributes()).toMatchObject({ 'aria-checked': 'true', disabled: '' });
    expect(sulfite.text()).toContain('Wait until');
    expect(row('sulfite', { doneAt: at, now: at + 25 * 3_600_000 }).text()).not.toContain('Wait until');
  });
});

describe('help with a reading', () => {
  const help = () => show(ReadingHelp, { predicted: { value: 1.082, low: 1.078, high: 1.086 } });

  it('counts a thinned sample back and hands it over', async () => {
    const asked = help();
    await inputLabeled(asked, 'thinned, it reads').setValue('1.061');
    expect(plain(asked.text())).toContain('Unthinned: 1.121');
    await asked.find('.link').trigger('click');
    expect((asked.emitted('take')![0] as number[])[0]).toBeCloseTo(1.1214, 3);
  });

  it('says which of two figures the recipe allows', async () => {
    const asked = help();
    await inputLabeled(asked, 'either').setValue('1.060');
    await inputLabeled(asked, 'or').setValue('1.080');
    expect(plain(asked.text())).toContain('1.080 is what this recipe gives.');
    expect(plain(asked.text())).toContain('1.060 lies where this recipe cannot be.');
  });
});

describe('a lot on the shelf', () => {
  const NOW = Date.UTC(2026, 10, 1);
  const shelved = (over: Partial<Shelved['item']> = {}, takenG = 1500): Shelved => ({
    takenG,
    version: 1,
    item: {
      id: '00000000-0000-4000-8000-000000000001',
      name: 'linden avenue',
      stockG: 5000,
      pricePerKg: 11,
      expiresOn: null,
      note: 'set',
      putAway: false,
      detail: { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.171, 0.032), sugarSpread: 0 },
      ...over,
    },
  });
  const told = (item: Shelved): string => plain(show(ShelfRow, { shelved: item, now: NOW }).text());

  it('shows what is left, what it costs, and what to mind', () => {
    expect(told(shelved())).toBe('linden avenue17 % water, set€ 11.00/kg3.50 kg');
    expect(told(shelved({ expiresOn: '2026-11-20' }))).toContain('19 days left');
    expect(told(shelved({ expiresOn: '2026-10-20' }))).toContain('past its date');
    expect(told(shelved({}, 5200))).toContain('count it again');
    const meter = { kind: 'instrument' as const, reads: 'pH' as const, calibrationC: 25, resolution: 0.01, calibratedOn: '2026-07-01' };
    expect(told(shelved({ detail: meter }, 0))).toContain('not calibrated for 123 days');
  });
});
