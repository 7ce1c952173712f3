import type { Forecast, ForecastInput } from '@hollow-bell/core/forecast';
import { proxy, wrap } from 'comlink';
import type { Remote } from 'comlink';
import { onScopeDispose, ref, shallowRef, watch } from 'vue';
import type { Ref } from 'vue';
import type { ForecastWorker } from '../workers/forecast.worker.ts';

/** The forecast for an input, made in a worker; a newer input ends the older one. */
export function useForecast(input: Ref<ForecastInput | null>) {
  const found = shallowRef<Forecast | null>(null);
  const progress = ref<number | null>(null);
  let worker: Worker | null = null;
  let remote: Remote<ForecastWorker> | null = null;

  watch(
    () => JSON.stringify(input.value),
    async () => {
      const wish = input.value;
      if (wish === null) {
        found.value = null;
        return;
      }
      worker ??= new Worker(new URL('../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
      worker.onerror = () => {
        found.value = null;
        progress.value = null;
      };
      remote ??= wrap<ForecastWorker>(worker);
      progress.value = 0;
      const answer = await remote.forecast(
        JSON.parse(JSON.stringify(wish)) as ForecastInput,
        proxy((share: number) => (progress.value = share)),
      );
      if (answer === null) return;
      found.value = answer;
      progress.value = null;
    },
    { immediate: true },
  );
  onScopeDispose(() => worker?.terminate());
  return { forecast: found, progress };
}
