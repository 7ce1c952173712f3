import { computed, toValue } from 'vue';
import type { ComputedRef, MaybeRefOrGetter } from 'vue';
import { useTimers } from '../stores/timers.ts';

/** Minutes and seconds, as a kitchen timer shows them. */
export const clockTold = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** One timer of a view; it goes on when the view is left. `leftS` is null while it is not set. */
export function useTimer(
  id: MaybeRefOrGetter<string>,
  label: MaybeRefOrGetter<string>,
): { leftS: ComputedRef<number | null>; start: (seconds: number) => void; stop: () => void } {
  const timers = useTimers();
  return {
    leftS: computed(() => {
      const timer = timers.timers.find((each) => each.id === toValue(id));
      return timer === undefined ? null : timers.leftS(timer);
    }),
    start: (seconds) => timers.start(toValue(id), toValue(label), seconds),
    stop: () => timers.stop(toValue(id)),
  };
}
