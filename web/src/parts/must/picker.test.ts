import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { usePractice } from '../../stores/practice.ts';
import IngredientPicker from './IngredientPicker.vue';

beforeEach(() => {
  setActivePinia(createPinia());
  usePractice().saved = DEFAULT_PRACTICE;
});

const picker = () =>
  mount(IngredientPicker, { props: { modelValue: true }, global: { stubs: { MakerDialog: { template: '<div><slot /></div>' } } } });

describe('choosing what goes into a must', () => {
  it.each([
    ['tea', /tea/],
    ['cherry', /cherr/],
    ['honey', /honey/i],
  ])('“%s” and Enter takes what is called so, not what stands in a group of that name', async (sought, name) => {
    const wrapper = picker();
    await wrapper.find('input').setValue(sought);
    await wrapper.find('input').trigger('keydown', { key: 'Enter' });
    const [[picked]] = wrapper.emitted('pick') as [[{ name: string }]];
    expect(picked.name).toMatch(name);
  });
});
