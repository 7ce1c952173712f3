import { useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, watch } from 'vue';
import { ApiFailure, api } from '../api/client.ts';
import { nothingStale, seenSince } from '../api/lastSeen.ts';
import { pressingFirst } from '../parts/rounds/manyVessels.ts';
import { useBook } from './book.ts';
import { useKept } from './kept.ts';
import { useOutbox } from './outbox.ts';
import { useRecord } from './record.ts';
import { useRounds } from './rounds.ts';
import { useShelf } from './shelf.ts';

const RETRY_MS = 5000;
/** So many vessels are kept on the device for the cellar without a network, those that ask first. */
const KEPT_VESSELS = 60;
const PAUSE_MS = 250;

/** Whether what is shown is as it stands, or as it was last seen; and what is kept ahead for the second. */
export const useSight = defineStore('sight', () => {
  const outbox = useOutbox();
  const kept = useKept();
  const rounds = useRounds();
  const record = useRecord();
  const shelf = useShelf();
  const book = useBook();
  const isOld = computed(() => seenSince.value !== null);

  /** Where somebody answers, what was written goes out, and what is shown is read anew. */
  async function again(): Promise<void> {
    try {
      await api.health();
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
      return;
    }
    nothingStale();
    await Promise.all([outbox.flush(), kept.flush()]);
    await Promise.all([
      rounds.loaded ? rounds.load() : null,
      record.batch === null ? null : record.reload(record.batch.id),
      book.loaded ? book.load() : null,
      shelf.load(),
    ]);
  }
  const { pause, resume } = useIntervalFn(() => void again(), RETRY_MS, { immediate: false });
  useEventListener(globalThis, 'online', () => void again());
  watch(isOld, (old) => (old ? resume() : pause()), { immediate: true });

  const ahead = new Set<string>();
  /** One after the other, while nothing else is asked for: the shelf, the book and each vessel's record, as they stand. */
  async function keepAhead(): Promise<void> {
    await shelf.loadOnce();
    if (!book.loaded) await book.load();
    for (const { id } of pressingFirst(rounds.standing).slice(0, KEPT_VESSELS)) {
      if (isOld.value || ahead.has(id)) continue;
      ahead.add(id);
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
      try {
        await api.batch(id);
      } catch (error) {
        if (!(error instanceof ApiFailure)) throw error;
        return;
      }
    }
  }

  return { again, keepAhead };
});
