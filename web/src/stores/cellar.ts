import type { BatchSummary } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { ApiFailure, api } from '../api/client.ts';

/** Every batch of the cellar with its folded state. */
export const useCellar = defineStore('cellar', () => {
  const batches = ref<BatchSummary[]>([]);
  const loaded = ref(false);
  const problem = ref('');

  async function load(): Promise<void> {
    try {
      batches.value = (await api.batches()).batches;
      loaded.value = true;
      problem.value = '';
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
      problem.value = error.message;
    }
  }

  return { batches, loaded, problem, load };
});
