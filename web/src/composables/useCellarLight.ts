import { useLocalStorage } from '@vueuse/core';
import { watchEffect } from 'vue';

/** Day or cellar light: dark, warm, low glare. Kept on this device. */
export function useCellarLight() {
  const light = useLocalStorage<'day' | 'cellar'>(
    'hollow-bell-light',
    globalThis.matchMedia('(prefers-color-scheme: dark)').matches ? 'cellar' : 'day',
  );
  watchEffect(() => {
    document.documentElement.dataset['light'] = light.value;
  });
  return { light, toggle: () => (light.value = light.value === 'day' ? 'cellar' : 'day') };
}
