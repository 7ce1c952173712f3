import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { Practice } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api } from '../api/client.ts';
import { isDemo } from '../cellar.ts';
import { useDoor } from './door.ts';
import { useKept } from './kept.ts';
import { loading } from './loading.ts';

/** The maker's units and schools; null until the first start is answered. */
export const usePractice = defineStore('practice', () => {
  const saved = ref<Practice | null>(null);
  const { loaded, problem, load } = loading(async () => {
    const [{ practice }] = await Promise.all([api.practice(), useDoor().ask()]);
    if (practice === null && isDemo) await api.fillDemo();
    saved.value = practice === null && isDemo ? (await api.practice()).practice : practice;
  });

  async function save(practice: Practice): Promise<void> {
    saved.value = (await useKept().write<{ practice: Practice }>({ what: 'practice', practice })).practice;
  }

  return { saved, loaded, problem, practice: computed(() => saved.value ?? DEFAULT_PRACTICE), load, save };
});
