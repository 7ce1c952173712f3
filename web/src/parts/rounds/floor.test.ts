import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { Standing } from '@hollow-bell/contract';
import { RouterLinkStub, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { expect, it } from 'vitest';
import { usePractice } from '../../stores/practice.ts';
import VesselFloor from './VesselFloor.vue';

it('a vessel that was pitched a moment after the clock was last looked at stands on its day 0', () => {
  setActivePinia(createPinia());
  usePractice().saved = DEFAULT_PRACTICE;
  const vessel: Standing = {
    id: 'a',
    name: 'Linden',
    filled: [{ vessel: { name: '5 L jug', kind: 'jug', capacityL: 5.3 }, volumeL: 4.5, isCompanion: false }],
    pitchedAt: Date.now() + 15_000,
    phase: 'lag',
    inBottles: false,
    sg: 1.09,
    volumeL: 4.5,
    leesL: 0,
    colors: ['linden'],
    asks: [],
  };
  const floor = mount(VesselFloor, { props: { standing: [vessel] }, global: { stubs: { RouterLink: RouterLinkStub } } });
  expect(floor.text()).toContain('day 0');
});
