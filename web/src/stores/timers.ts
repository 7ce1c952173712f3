import { useIntervalFn, useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { ofCellar } from '../cellar.ts';
import { bellIn } from '../ringing/bell.ts';
import { tellOutside } from '../ringing/outside.ts';

interface Timer {
  id: string;
  /** What it is for: “Degassing Borage, even”. */
  label: string;
  endsAt: number;
}

/**
 * Timers count by the clock on the wall, so that a sleeping phone loses no time; they go on over other views and a page that is
 * opened anew, and ring where nobody looks.
 */
export const useTimers = defineStore('timers', () => {
  const timers = useLocalStorage<Timer[]>(ofCellar('hollow-bell-timers'), []);
  const seen = ref(Date.now());
  const silence = new Map<string, () => void>();
  const told = new Set(timers.value.filter(({ endsAt }) => endsAt <= seen.value).map(({ id }) => id));

  const leftS = ({ endsAt }: Timer): number => Math.max(0, Math.ceil((endsAt - seen.value) / 1000));
  const lay = ({ id, endsAt }: Timer): void => {
    silence.get(id)?.();
    silence.set(id, bellIn(Math.max(0, (endsAt - Date.now()) / 1000)));
  };

  function tick(): void {
    seen.value = Date.now();
    for (const timer of timers.value) {
      if (timer.endsAt > seen.value || told.has(timer.id)) continue;
      told.add(timer.id);
      if (!silence.has(timer.id)) lay(timer);
      if ('vibrate' in navigator) navigator.vibrate([300, 200, 300, 200, 300]);
      void tellOutside('Time is up', timer.label, timer.id);
    }
    if (timers.value.every((timer) => told.has(timer.id))) pause();
  }
  const { pause, resume } = useIntervalFn(tick, 250, { immediate: timers.value.length > 0 });

  function stop(id: string): void {
    silence.get(id)?.();
    silence.delete(id);
    told.delete(id);
    timers.value = timers.value.filter((timer) => timer.id !== id);
  }
  function start(id: string, label: string, seconds: number): void {
    stop(id);
    seen.value = Date.now();
    const timer = { id, label, endsAt: seen.value + seconds * 1000 };
    timers.value = [...timers.value, timer];
    lay(timer);
    resume();
  }

  return {
    timers,
    isRunning: computed(() => timers.value.some((timer) => leftS(timer) > 0)),
    leftS,
    start,
    stop,
  };
});
