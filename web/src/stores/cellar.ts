import type { BatchSummary } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '../api/client.ts';
import { loading } from './loading.ts';

/** Every batch of the cellar with its folded state. */
export const useCellar = defineStore('cellar', () => {
  const batches = ref<BatchSummary[]>([]);
  return {
    batches,
    ...loading(async () => {
      batches.value = (await api.batches()).batches;
    }),
  };
});
