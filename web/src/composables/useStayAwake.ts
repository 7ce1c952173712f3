import { useWakeLock } from '@vueuse/core';
import { onScopeDispose, watchEffect } from 'vue';

/** While this holds the screen stays on, where the device lets it: nobody wakes a phone with wet hands to look at a thermometer. */
export function useStayAwake(isNeeded: () => boolean): void {
  const { isSupported, request, release } = useWakeLock();
  watchEffect(() => {
    if (isSupported.value) void (isNeeded() ? request('screen') : release());
  });
  onScopeDispose(() => void release());
}
