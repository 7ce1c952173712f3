import type { Standing } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { loading } from './loading.ts';
import { useOutbox } from './outbox.ts';

/** Every vessel that stands filled, with what it asks for. */
export const useRounds = defineStore('rounds', () => {
  const standing = shallowRef<Standing[]>([]);
  /** Who writes is told how the vessel stands now. */
  useOutbox().onAcknowledged((batchId, _events, _lastSeq, now) => {
    const others = standing.value.filter(({ id }) => id !== batchId);
    const at = standing.value.findIndex(({ id }) => id === batchId);
    if (now === null) standing.value = others;
    else standing.value = at < 0 ? [...others, now] : others.toSpliced(at, 0, now);
  });
  const { load, loaded, problem } = loading(async () => {
    standing.value = (await api.rounds()).standing;
  });
  let ahead: Promise<void> | null = null;
  /** Asked for as soon as the page is opened there, before there is anything to show them in. */
  const loadAhead = (): void => void (ahead ??= load());
  /** What was asked for ahead, once; else anew, and where nobody was let in yet. */
  async function loadNow(): Promise<void> {
    const asked = ahead;
    ahead = null;
    await asked;
    if (asked === null || !loaded.value) await load();
  }
  return { standing, load, loadAhead, loadNow, loaded, problem };
});
