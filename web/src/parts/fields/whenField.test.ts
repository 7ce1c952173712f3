import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import WhenField from './WhenField.vue';

const NOW = new Date(2026, 10, 27, 15, 0).getTime();
beforeEach(() => {
  vi.useFakeTimers({ now: NOW, toFake: ['Date'] });
  setActivePinia(createPinia());
});
afterEach(() => vi.useRealTimers());

/** Typed key by key. */
async function typed(text: string) {
  const field = mount(WhenField, { props: { modelValue: null } });
  await flushPromises();
  await vi.dynamicImportSettled();
  const input = field.find('input');
  for (let end = 1; end <= text.length; end++) await input.setValue(text.slice(0, end));
  return { at: (field.emitted('update:modelValue')?.at(-1) as [number | null] | undefined)?.[0] ?? null, text: field.text(), input };
}

describe('when it happened', () => {
  it.each([
    ['yesterday 18:40', new Date(2026, 10, 26, 18, 40).getTime()],
    ['3 h ago', NOW - 3 * 3_600_000],
    ['two days ago 9:00', new Date(2026, 10, 25, 9, 0).getTime()],
    ['', null],
    ['now', null],
  ])('“%s” is read in the maker’s words', async (text, at) => {
    expect((await typed(text)).at).toBe(at);
  });

  it.each(['tomorrow', 'blorp', '31.02.'])('“%s” is answered with a sentence, and stays', async (text) => {
    const { at, text: said, input } = await typed(text);
    expect(at).toBeNull();
    expect(said).toMatch(/not come yet|no time I know|no 31/);
    expect(input.element.value).toBe(text);
  });
});
