import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import { onScopeDispose } from 'vue';
import type { ChalkWorker } from '../workers/chalk.worker.ts';

/** What ferments on the chalk floor is reckoned beside the page; it ends with the view that asked. */
export function useChalkWorker(): () => Remote<ChalkWorker> {
  let running: { worker: Worker; remote: Remote<ChalkWorker> } | null = null;
  onScopeDispose(() => running?.worker.terminate());
  return () => {
    if (running === null) {
      const worker = new Worker(new URL('../workers/chalk.worker.ts', import.meta.url), { type: 'module' });
      running = { worker, remote: wrap<ChalkWorker>(worker) };
    }
    return running.remote;
  };
}

/** As plain data, which a worker can be handed. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
