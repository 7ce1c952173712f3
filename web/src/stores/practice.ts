import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { Practice } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { ApiFailure, api } from '../api/client.ts';

/** The maker's units and schools; null until the first start is answered. */
export const usePractice = defineStore('practice', () => {
  const saved = ref<Practice | null>(null);
  const loaded = ref(false);
  const problem = ref('');

  async function load(): Promise<void> {
    try {
      saved.value = (await api.practice()).practice;
      loaded.value = true;
      problem.value = '';
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
      problem.value = error.message;
    }
  }

  async function save(practice: Practice): Promise<void> {
    saved.value = (await api.savePractice(practice)).practice;
  }

  return { saved, loaded, problem, practice: computed(() => saved.value ?? DEFAULT_PRACTICE), load, save };
});
