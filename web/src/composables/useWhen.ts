import { computed, ref } from 'vue';

/** When something happened: what a form's field holds, and how it is written. Now where nothing is said. */
export function useWhen() {
  const at = ref<number | null>(null);
  return { at, when: computed((): { at?: number } => (at.value === null ? {} : { at: at.value })) };
}
