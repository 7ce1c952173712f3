import { proxy, wrap } from 'comlink';
import { onScopeDispose, ref } from 'vue';
import type { TableWorker } from '../workers/table.worker.ts';

/** Reads the head of a table's file in a worker, so that no file holds up the page; it can be stopped. */
export function useTableFile(taken: (file: { name: string; text: string; rows: number }) => void) {
  /** The share that is read; null while nothing is. */
  const progress = ref<number | null>(null);
  const problem = ref('');
  let worker: Worker | null = null;

  function stop(): void {
    worker?.terminate();
    worker = null;
    progress.value = null;
  }

  async function read(file: File): Promise<void> {
    stop();
    problem.value = '';
    progress.value = 0;
    const mine = new Worker(new URL('../workers/table.worker.ts', import.meta.url), { type: 'module' });
    worker = mine;
    const cannot = (): void => {
      stop();
      problem.value = `“${file.name}” cannot be read as a table.`;
    };
    mine.onerror = cannot;
    try {
      const head = await wrap<TableWorker>(mine).headOf(
        file,
        proxy((share: number) => {
          if (worker === mine) progress.value = share;
        }),
      );
      if (worker !== mine) return;
      stop();
      taken({ name: file.name, ...head });
    } catch {
      cannot();
    }
  }

  onScopeDispose(stop);
  return { progress, problem, read, stop };
}
