import { defineStore } from 'pinia';
import { ref } from 'vue';

/** The reading pad lies over whatever is shown; this says for which batch, and is null while it is put away. */
export const usePad = defineStore('pad', () => {
  const batchId = ref<string | null>(null);
  return {
    batchId,
    open: (id: string): void => {
      batchId.value = id;
    },
    close: (): void => {
      batchId.value = null;
    },
  };
});
