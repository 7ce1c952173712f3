import { ref } from 'vue';
import type { Ref } from 'vue';
import { ApiFailure } from '../api/client.ts';

interface Loading {
  loaded: Ref<boolean>;
  problem: Ref<string>;
  load: () => Promise<void>;
}

/** Fetching what a store holds; where nobody answers, the sentence to show. */
export function loading(fetchIt: () => Promise<void>): Loading {
  const loaded = ref(false);
  const problem = ref('');
  async function load(): Promise<void> {
    try {
      await fetchIt();
      loaded.value = true;
      problem.value = '';
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
      problem.value = error.message;
    }
  }
  return { loaded, problem, load };
}
