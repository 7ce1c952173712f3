import { Refusal } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import type { ComputedRef } from 'vue';

/** An answer that follows its fields, or the sentence why there is none. Null while a field is empty. */
export function useAnswer<A>(compute: () => A | null): ComputedRef<{ answer: A | null; refusal: string }> {
  return computed(() => {
    try {
      return { answer: compute(), refusal: '' };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return { answer: null, refusal: error.message };
    }
  });
}
