import { gravity, massG, say, verdict, when } from '@hollow-bell/core/quantities';
import type { Ask, Bell } from '@hollow-bell/core/rounds';
import type { Gate } from '@hollow-bell/core/stabilize';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { mount } from '@vue/test-utils';
import type { VueWrapper } from '@vue/test-utils';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { defineComponent, nextTick, ref } from 'vue';
import type { Component } from 'vue';
import { usePractice } from '../stores/practice.ts';
import AskRow from './rounds/AskRow.vue';
import BatchRail from './log/BatchRail.vue';
import BellMark from './rounds/BellMark.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useMustDraft } from '../composables/useMustDraft.ts';
import FigureValue from './figures/FigureValue.vue';
import GateRow from './stabilize/GateRow.vue';
import HoldChips from './must/HoldChips.vue';
import QuantityField from './fields/QuantityField.vue';
import SentenceText from './figures/SentenceText.vue';
import VerdictList from './figures/VerdictList.vue';

const router = createRouter({
  history: createMemoryHistory(),
  routes: [
    { path: '/', name: 'rounds', component: {} },
    { path: '/b/:id', name: 'batch', component: {} },
    { path: '/b/:id/:station', name: 'station', component: {} },
  ],
});
const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replace(/\s+/g, ' ').trim();
const show = (component: Component, props: object) =>
  mount(component, { props: props as Record<string, unknown>, global: { plugins: [router] } });

beforeEach(() => {
  setActivePinia(createPinia());
});

describe('a field for a quantity', () => {
  const field = (props: object) => show(QuantityField, { label: 'sample at', modelValue: null, ...props });

  it('reads what is typed in the maker’s units and says it in SI', async () => {
    usePractice().saved = { ...DEFAULT_PRACTICE, units: 'us' };
    const temp = field({ kind: 'temp' });
    await temp.find('input').setValue('68');
    expect(temp.emitted('update:modelValue')?.at(-1)).toEqual([20]);
    const mass = field({ kind: 'mass', label: 'honey' });
    await mass.find('input').setValue('2');
    expect(mass.emitted('update:modelValue')?.at(-1)?.[0]).toBeCloseTo(907.185, 3);
    await mass.find('input').setValue('2 kg');
    expect(mass.emitted('update:modelValue')?.at(-1)).toEqual([2000]);
  });

  /** As keys do it: a value for each of them. */
  async function type(at: VueWrapper, text: string): Promise<void> {
    await at.find('input').trigger('focus');
    for (let end = 1; end <= text.length; end++) await at.find('input').setValue(text.slice(0, end));
    await at.find('input').trigger('blur');
  }
  const given = (at: VueWrapper): number | null => (at.emitted('update:modelValue')?.at(-1) as [number | null] | undefined)?.[0] ?? null;

  it('keeps what it cannot read, with a sentence, and gives nothing on', async () => {
    const sg = field({ kind: 'sg', label: 'hydrometer reads' });
    await type(sg, 'abc');
    expect(sg.find('[role=alert]').text()).toContain('“abc” is not a number');
    expect((sg.find('input').element as HTMLInputElement).value).toBe('abc');
    expect(given(sg)).toBeNull();
    expect(sg.find('input').attributes('aria-invalid')).toBe('true');
  });

  it.each([
    ['sg', '1012', 1.012],
    ['temp', '70', (38 * 5) / 9],
    ['ph', '34', 3.4],
  ])('a %s of “%s” gives nothing from its first keys, and what was meant at a press', async (kind, text, meant) => {
    const asked = field({ kind, label: 'it' });
    await type(asked, text);
    expect(given(asked)).toBeNull();
    await asked.find('[role=alert] button').trigger('click');
    expect(given(asked)).toBeCloseTo(meant, 9);
    expect(asked.find('[role=alert]').exists()).toBe(false);
  });

  it('shows what was typed where the form did not take it', async () => {
    const held = field({ kind: 'mass', label: 'juice', modelValue: 1000 });
    await type(held, '15.9');
    expect(given(held)).toBe(15_900);
    expect((held.find('input').element as HTMLInputElement).value).toBe('15.9');
  });

  it('reads degrees of the units that are only being chosen', async () => {
    const room = field({ kind: 'temp', label: 'room', units: 'us' });
    await type(room, '70');
    expect(given(room)).toBeCloseTo((38 * 5) / 9, 9);
  });

  it('shuts its form while it is refused, or needed and empty', async () => {
    const Form = defineComponent({
      components: { QuantityField },
      setup() {
        const value = ref<number | null>(null);
        const { attempt, blocked, refusal } = useAttempt();
        const write = () => attempt(() => undefined);
        return { value, blocked, refusal, write };
      },
      template:
        '<QuantityField v-model="value" kind="ph" label="pH" needed /><button :disabled="blocked" @click="write">Write</button><i>{{ refusal }}</i>',
    });
    const form = show(Form, {});
    const isShut = (): boolean => form.findAll('button').at(-1)!.attributes('disabled') !== undefined;
    await nextTick();
    expect(isShut()).toBe(true);
    for (const [text, shut] of [
      ['3', false],
      ['34', true],
      ['3.4', false],
      ['', true],
    ] as const) {
      await form.find('input').setValue(text);
      expect(isShut(), text).toBe(shut);
    }
    const { write } = form.vm as unknown as { write: () => Promise<boolean> };
    expect(await write()).toBe(false);
    expect(form.find('i').text()).toBe('pH is still empty.');
  });

  it('is empty for nothing and says so', async () => {
    const ph = field({ kind: 'ph', label: 'pH', modelValue: 3.4 });
    expect((ph.find('input').element as HTMLInputElement).value).toBe('3.40');
    await ph.find('input').setValue('');
    expect(ph.emitted('update:modelValue')?.at(-1)).toEqual([null]);
  });

  it('follows its value while nobody types in it, and not while somebody does', async () => {
    const volume = field({ kind: 'volume', label: 'water', modelValue: 4 });
    await volume.setProps({ modelValue: 5 });
    expect((volume.find('input').element as HTMLInputElement).value).toBe('5.00');
    await volume.find('input').trigger('focus');
    await volume.setProps({ modelValue: 6 });
    expect((volume.find('input').element as HTMLInputElement).value).toBe('5.00');
    await volume.find('input').trigger('blur');
    expect((volume.find('input').element as HTMLInputElement).value).toBe('6.00');
  });
});

describe('bells', () => {
  it('differ in shape and in name, not in color alone', () => {
    const bells = (['still', 'swinging', 'muffled', 'cracked'] as Bell[]).map((bell) => show(BellMark, { bell }));
    expect(new Set(bells.map((bell) => bell.attributes('aria-label'))).size).toBe(4);
    const shapes = bells.map((bell) =>
      [...bell.element.querySelectorAll('path, circle, g')]
        .map((part) => `${part.tagName} ${part.getAttribute('d') ?? ''} ${part.getAttribute('transform') ?? ''}`)
        .join('|'),
    );
    expect(new Set(shapes).size).toBe(4);
  });
});

describe('sentences and verdicts', () => {
  it('set amounts in bold and times not', () => {
    const text = show(SentenceText, { sentence: say`Feed ${massG(1.6)} ${when(Date.now())}.` });
    expect(text.findAll('b').map((b) => plain(b.text()))).toEqual(['1.6 g']);
    expect(plain(text.text())).toMatch(/^Feed 1\.6 g today \d\d:\d\d/);
  });

  it('carry the bell of their weight', () => {
    const list = show(VerdictList, { verdicts: [verdict('a', 'stop', say`Stop at ${gravity(1.14)}.`), verdict('b', 'note', say`Fine.`)] });
    expect(list.findAll('li').map((li) => [li.attributes('data-weight'), li.find('svg').attributes('aria-label')])).toEqual([
      ['stop', 'stop'],
      ['note', 'well'],
    ]);
  });
});

describe('a figure', () => {
  it('shows its value large, its range small, and says how to see its working', () => {
    const figure = show(FigureValue, {
      label: 'Alcohol',
      kind: 'abv',
      figure: { value: 11.2, low: 10.8, high: 11.6 },
      working: { formula: 'f', inputs: [], source: 's' },
      bar: true,
    });
    expect(figure.find('.number').text()).toBe('11.2');
    expect(plain(figure.find('span.range').text())).toBe('10.8 – 11.6 % vol');
    expect(figure.find('button').attributes('aria-label')).toContain('Show working');
  });
});

describe('a row that asks', () => {
  const ask: Ask = {
    kind: 'dose',
    key: 'dose 2',
    harm: 6,
    mayWait: true,
    bell: 'swinging',
    dueAt: Date.now(),
    sentence: say`Dose 2, ${massG(4)}.`,
    station: 'feed',
    done: { label: ['Fed ', massG(4)], events: [] },
  };

  it('has one bronze button, worded as what will be written, and “Another amount” beside it', async () => {
    const row = show(AskRow, { ask, batchId: 'b', name: 'Linden' });
    expect(row.findAll('.el-button--primary').map((button) => plain(button.text()))).toEqual(['Fed 4.0 g']);
    expect(row.text()).toContain('Another amount');
    await row.find('.el-button--primary').trigger('click');
    expect(row.emitted('done')?.[0]).toEqual([ask]);
  });

  it('leads to its station where nothing can be written at one touch, and is quiet while it waits', () => {
    const waiting = show(AskRow, { ask: { ...ask, bell: 'muffled', done: null, station: 'stabilize' }, batchId: 'b' });
    expect(waiting.findAll('.el-button--primary')).toHaveLength(0);
    expect(waiting.text()).toContain('To the gates');
  });
});

describe('gates, rail and holds', () => {
  it('say whether they are open to ears as well as eyes', () => {
    const gates: Gate[] = [
      { id: 'finished', name: 'Finished', state: 'open', sentence: say`twice` },
      { id: 'clear', name: 'Clear', state: 'shut', sentence: say`wants your eye` },
      { id: 'degassed', name: 'Degassed', state: 'not needed', sentence: say`a little gas harms nothing here` },
      { id: 'waited', name: 'Waited', state: 'by your word', sentence: say`“enough”` },
    ];
    const row = show(GateRow, { gates });
    expect(row.findAll('li').map((li) => [li.attributes('data-open'), li.find('.visually-hidden').text()])).toEqual([
      ['true', 'open'],
      ['false', 'shut'],
      ['true', 'not needed by this school'],
      ['true', 'open by your word'],
    ]);
  });

  it('marks what is done, now and ahead', () => {
    const rail = show(BatchRail, {
      batchId: 'b',
      here: 'feed',
      states: {
        formulate: 'done',
        pitch: 'done',
        feed: 'half',
        watch: 'now',
        clear: 'ahead',
        stabilize: 'ahead',
        sweeten: 'passed',
        bottle: 'ahead',
        taste: 'ahead',
      },
    });
    expect(rail.findAll('li').map((li) => li.classes()[0])).toEqual([
      'done',
      'done',
      'half',
      'now',
      'ahead',
      'ahead',
      'passed',
      'ahead',
      'ahead',
    ]);
    expect(rail.find('[aria-current=page]').text()).toBe('Feed, begun');
  });

  it('hold at a touch and at a typed value, and keep what no must meets', async () => {
    const draft = useMustDraft(planOf([plannedHoney('linden', 1400)], 4));
    const chips = show(HoldChips, { draft });
    await chips.find('[aria-label="Hold Alcohol it ends with"]').trigger('click');
    expect(draft.held.value).toEqual(['volumeL', 'abv']);
    await chips.find('[data-held="volumeL"] input').setValue('6,5');
    expect(draft.figures.value.volumeL.value).toBeCloseTo(6.5, 4);
    const alcohol = chips.find<HTMLInputElement>('[data-held="abv"] input');
    await alcohol.setValue('19');
    expect(chips.find('[role="alert"]').text()).toMatch(/stops near 14/);
    expect(Number(alcohol.element.value)).toBe(19);
  });
});
