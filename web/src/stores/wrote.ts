import type { Sentence } from '@hollow-bell/core/quantities';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';

/** What was written at one press, by its entries. */
interface Act {
  batchId: string;
  ids: string[];
  told: string;
}
/** So many acts can be taken back, the last first. */
const REMEMBERED = 10;

/** What was written last, to be taken back, and what wants a second look before it is written. */
export const useWrote = defineStore('wrote', () => {
  const acts = ref<Act[]>([]);
  /** What the notice says; null where there is nothing new to say. */
  const told = ref<string | null>(null);
  const doubted = shallowRef<{ sentences: Sentence[]; resolve: (isSo: boolean) => void } | null>(null);

  function remember(act: Act): void {
    acts.value = [...acts.value, act].slice(-REMEMBERED);
    told.value = `Written: ${act.told}`;
  }
  /** The last act, to be taken back; it is remembered no more. */
  function takeLast(): Act | undefined {
    const last = acts.value.at(-1);
    acts.value = acts.value.slice(0, -1);
    if (last !== undefined) told.value = `Took back: ${last.told}`;
    return last;
  }
  /** It did not come to pass, or a split or a blend stands on it. */
  function forget(batchId: string): void {
    acts.value = acts.value.filter((act) => act.batchId !== batchId);
    told.value = null;
  }
  const hush = (): void => {
    told.value = null;
  };

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

  return { acts, last: computed(() => acts.value.at(-1) ?? null), told, remember, takeLast, forget, hush, doubted, ask, answer };
});
