import type { BatchState, Fate, ListQuery, Listed } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { useKept } from './kept.ts';
import { loading } from './loading.ts';

/** So few are seen at a glance; more want finding. */
const FEW = 8;

/** Every batch ever begun, newest first, as far as it was leafed through. */
export const useBook = defineStore('book', () => {
  const find = ref('');
  const fate = ref<Fate>('kept');
  const state = ref<BatchState | null>(null);
  const year = ref<number | null>(null);
  const batches = shallowRef<Listed[]>([]);
  const hasOlder = ref(false);
  const isLong = ref(false);
  const firstAt = ref<number | null>(null);

  const query = computed((): ListQuery => ({
    find: find.value,
    fate: fate.value,
    ...(state.value === null ? {} : { state: state.value }),
    ...(year.value === null
      ? {}
      : { begunFrom: new Date(year.value, 0, 1).getTime(), begunBefore: new Date(year.value + 1, 0, 1).getTime() }),
  }));
  const isWhole = computed(() => find.value.trim() === '' && state.value === null && year.value === null);

  async function page(olderThan?: string): Promise<void> {
    const asked = query.value;
    const found = await api.batches({ ...asked, ...(olderThan === undefined ? {} : { olderThan }) });
    /** Typing went on meanwhile; the later answer counts. */
    if (asked !== query.value) return;
    batches.value = olderThan === undefined ? found.batches : [...batches.value, ...found.batches];
    hasOlder.value = found.hasOlder;
    const begun = batches.value.flatMap(({ pitchedAt }) => (pitchedAt === null ? [] : [pitchedAt]));
    const all = [...begun, ...(found.firstAt === null ? [] : [found.firstAt]), ...(firstAt.value === null ? [] : [firstAt.value])];
    firstAt.value = all.length === 0 ? null : Math.min(...all);
    if (isWhole.value) isLong.value = batches.value.length > FEW;
  }

  const older = loading(() => page(batches.value.at(-1)?.id));
  async function bringBack({ id, name }: Listed): Promise<void> {
    await useKept().write({ what: 'fate', id, name, fate: 'kept' });
    batches.value = batches.value.filter((each) => each.id !== id);
  }

  return {
    find,
    fate,
    state,
    year,
    bringBack,
    batches,
    hasOlder,
    isLong,
    isWhole,
    firstAt,
    older: older.load,
    olderProblem: older.problem,
    ...loading(() => page()),
  };
});
