import { typedFields } from '@hollow-bell/core/reference';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { describe, expect, it, vi } from 'vitest';
import { usePractice } from '../../stores/practice.ts';
import QuantityField from './QuantityField.vue';

describe('what makers type into a field, key by key', () => {
  it.each(typedFields.map((entry) => [entry.id, entry.text, entry] as const))(
    '%s “%s”',
    async (_id, text, { kind, house, locale, limits, gPerTsp, currency, expect: wanted }) => {
      vi.spyOn(navigator, 'language', 'get').mockReturnValue(locale);
      setActivePinia(createPinia());
      usePractice().saved = { ...DEFAULT_PRACTICE, units: house, currency: currency ?? '€' };
      const [low, high] = limits;
      const field = mount(QuantityField, {
        props: { modelValue: null, kind, label: 'it', limits: { low, high }, gPerTsp: gPerTsp as number, needed: true },
      });
      const input = field.find('input');
      await input.trigger('focus');
      for (let end = 1; end <= text.length; end++) {
        await input.setValue(text.slice(0, end));
        await field.setProps({ modelValue: (field.emitted('update:modelValue')?.at(-1) as [number | null] | undefined)?.[0] ?? null });
      }
      await input.trigger('blur');
      const given = (field.emitted('update:modelValue')?.at(-1) as [number | null] | undefined)?.[0] ?? null;
      const mayTake = [wanted.value, ...(wanted.or?.includes('value') === true ? [wanted.offer, ...(wanted.ask ?? [])] : [])];
      if (given === null) {
        if (text !== '') expect((input.element as HTMLInputElement).value, 'what was typed stays').toBe(text);
        return;
      }
      expect(
        mayTake.some((value) => value !== undefined && Math.abs(value - given) <= (wanted.tolerance ?? 1e-6 * given)),
        `${given}`,
      ).toBe(true);
    },
  );
});
