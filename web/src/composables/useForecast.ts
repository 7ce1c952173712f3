import type { Forecast, ForecastInput } from '@hollow-bell/core/course';
import { proxy, wrap } from 'comlink';
import type { Remote } from 'comlink';
import { onScopeDispose, ref, shallowRef, watch } from 'vue';
import type { Ref } from 'vue';
import type { ForecastWorker } from '../workers/forecast.worker.ts';

interface Running {
  worker: Pick<Worker, 'terminate'>;
  remote: Pick<Remote<ForecastWorker>, 'forecast'>;
}
function startWorker(failed: () => void): Running {
  const worker = new Worker(new URL('../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
  worker.onerror = failed;
  return { worker, remote: wrap<ForecastWorker>(worker) };
}

/** Each step that is told redraws what tells it. */
const TOLD_STEPS = 10;

/** The forecast for an input, made in a worker; a newer input ends the older one. */
export function useForecast(input: Ref<ForecastInput | null>, start = startWorker) {
  const found = shallowRef<{ forecast: Forecast; input: ForecastInput } | null>(null);
  const progress = ref<number | null>(null);
  const hasFailed = ref(false);
  let running: Running | null = null;
  /** Which question is being answered; null where none is. Progress comes by another way than the answer, and may come after it. */
  let asked: symbol | null = null;

  function fail(): void {
    asked = null;
    running?.worker.terminate();
    running = null;
    found.value = null;
    progress.value = null;
    hasFailed.value = true;
  }

  async function ask(): Promise<void> {
    const wish = input.value;
    hasFailed.value = false;
    if (wish === null) {
      asked = null;
      found.value = null;
      progress.value = null;
      return;
    }
    const mine = Symbol('question');
    asked = mine;
    progress.value = 0;
    try {
      running ??= start(fail);
      const answer = await running.remote.forecast(
        JSON.parse(JSON.stringify(wish)) as ForecastInput,
        proxy((share: number) => {
          if (asked === mine) progress.value = Math.floor(share * TOLD_STEPS) / TOLD_STEPS;
        }),
      );
      if (asked !== mine || answer === null) return;
      asked = null;
      found.value = { forecast: answer, input: wish };
      progress.value = null;
    } catch {
      if (asked === mine) fail();
    }
  }

  watch(() => JSON.stringify(input.value), ask, { immediate: true });
  onScopeDispose(() => running?.worker.terminate());
  return { answer: found, progress, hasFailed, again: ask };
}
