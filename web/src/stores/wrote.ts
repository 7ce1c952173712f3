import type { Sentence } from '@hollow-bell/core/quantities';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';

/** What was written last, to be taken back, and what wants a second look before it is written. */
export const useWrote = defineStore('wrote', () => {
  const last = ref<{ batchId: string; ids: string[]; told: string } | null>(null);
  const doubted = shallowRef<{ sentences: Sentence[]; resolve: (isSo: boolean) => void } | null>(null);

  function answer(isSo: boolean): void {
    const asked = doubted.value;
    doubted.value = null;
    asked?.resolve(isSo);
  }

  /** Whether it is meant; the answer comes from the maker. */
  async function ask(sentences: Sentence[]): Promise<boolean> {
    if (sentences.length === 0) return true;
    answer(false);
    return new Promise((resolve) => {
      doubted.value = { sentences, resolve };
    });
  }

  return { last, doubted, ask, answer };
});
