import type { Listed } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { loading } from './loading.ts';

/** So few are seen at a glance; more want finding. */
const FEW = 8;

/** Every batch ever begun, newest first, as far as it was leafed through. */
export const useBook = defineStore('book', () => {
  const name = ref('');
  const batches = shallowRef<Listed[]>([]);
  const hasOlder = ref(false);
  const isLong = ref(false);

  async function page(olderThan?: string): Promise<void> {
    const asked = name.value;
    const found = await api.batches({ name: asked, ...(olderThan === undefined ? {} : { olderThan }) });
    /** Typing went on meanwhile; the later answer counts. */
    if (asked !== name.value) return;
    batches.value = olderThan === undefined ? found.batches : [...batches.value, ...found.batches];
    hasOlder.value = found.hasOlder;
    if (asked === '') isLong.value = batches.value.length > FEW;
  }

  const older = loading(() => page(batches.value.at(-1)?.id));
  return { name, batches, hasOlder, isLong, older: older.load, olderProblem: older.problem, ...loading(() => page()) };
});
