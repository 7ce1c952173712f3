import { useIntervalFn } from '@vueuse/core';
import { computed, ref } from 'vue';

/** Counts down by the clock on the wall, so that a sleeping telephone loses no time. */
export function useCountdown(clock: () => number = Date.now) {
  const endsAt = ref<number | null>(null);
  const seen = ref(clock());
  const { pause, resume } = useIntervalFn(
    () => {
      seen.value = clock();
      if (endsAt.value !== null && seen.value >= endsAt.value) pause();
    },
    250,
    { immediate: false },
  );
  const leftS = computed(() => (endsAt.value === null ? null : Math.max(0, Math.ceil((endsAt.value - seen.value) / 1000))));
  return {
    leftS,
    isOver: computed(() => leftS.value === 0),
    start: (seconds: number): void => {
      seen.value = clock();
      endsAt.value = seen.value + seconds * 1000;
      resume();
    },
    stop: (): void => {
      endsAt.value = null;
      pause();
    },
  };
}
