import { shallowRef } from 'vue';

/** Takes the newer program that is ready; null while there is none. */
export const newerShell = shallowRef<(() => Promise<void>) | null>(null);
