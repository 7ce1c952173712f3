import type { Fate, Listed } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { useKept } from './kept.ts';
import { loading } from './loading.ts';

/** So few are seen at a glance; more want finding. */
const FEW = 8;

/** Every batch ever begun, newest first, as far as it was leafed through. */
export const useBook = defineStore('book', () => {
  const name = ref('');
  const fate = ref<Fate>('kept');
  const batches = shallowRef<Listed[]>([]);
  const hasOlder = ref(false);
  const isLong = ref(false);

  async function page(olderThan?: string): Promise<void> {
    const [asked, shown] = [name.value, fate.value];
    const found = await api.batches({ name: asked, fate: shown, ...(olderThan === undefined ? {} : { olderThan }) });
    /** Typing went on meanwhile; the later answer counts. */
    if (asked !== name.value || shown !== fate.value) return;
    batches.value = olderThan === undefined ? found.batches : [...batches.value, ...found.batches];
    hasOlder.value = found.hasOlder;
    if (asked === '') isLong.value = batches.value.length > FEW;
  }

  const older = loading(() => page(batches.value.at(-1)?.id));
  async function bringBack({ id, name: called }: Listed): Promise<void> {
    await useKept().write({ what: 'fate', id, name: called, fate: 'kept' });
    batches.value = batches.value.filter((each) => each.id !== id);
  }

  return { name, fate, bringBack, batches, hasOlder, isLong, older: older.load, olderProblem: older.problem, ...loading(() => page()) };
});
