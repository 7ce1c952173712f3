import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { ofCellar } from '../cellar.ts';

interface Draft<T> {
  of: string;
  value: T;
}

/**
 * What was begun and not yet saved, kept on this device when the page is left. A draft belongs to what it was begun from: where that
 * has changed meanwhile it is not taken up again.
 *
 * @param name of the place
 * @param of what it was begun from, such as a batch and its plan's version
 */
export function useDraft<T>(name: string, of: string) {
  const kept = useLocalStorage<Draft<T> | null>(ofCellar(`hollow-bell-draft-${name}`), null, {
    serializer: { read: (text) => JSON.parse(text) as Draft<T> | null, write: JSON.stringify },
  });
  return {
    draft: computed(() => (kept.value?.of === of ? kept.value.value : null)),
    keep: (value: T): void => {
      kept.value = { of, value };
    },
    forget: (): void => {
      kept.value = null;
    },
  };
}
