import type { AnswerOf, NewEvent, Standing } from '@hollow-bell/contract';
import type { BatchEvent } from '@hollow-bell/core/record';
import type { Sentence } from '@hollow-bell/core/quantities';
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { ApiFailure, api } from '../api/client.ts';
import { ofCellar } from '../cellar.ts';

/** Events on their way to the record. They keep their ids, so sending them twice writes them once. */
export interface Parcel {
  batchId: string;
  afterSeq: number;
  events: NewEvent[];
  /** What was typed, to be given back when the server refuses it. */
  typed: string;
  /** What others wrote meanwhile; the maker decides. */
  since: BatchEvent[] | null;
}

export interface Refused {
  batchId: string;
  sentence: Sentence;
  typed: string;
}

type Acknowledged = (batchId: string, events: BatchEvent[], lastSeq: number, standing: Standing | null) => void;

const RETRY_MS = 2500;

/** The one way in which anything is written to a batch. Kept in the browser until the server has it. */
export const useOutbox = defineStore('outbox', () => {
  const parcels = useLocalStorage<Parcel[]>(ofCellar('hollow-bell-outbox'), []);
  /** Those of one batch. */
  const of = (batchId: string | undefined): Parcel[] => parcels.value.filter((parcel) => parcel.batchId === batchId);
  const away = ref('');
  const refused = ref<Refused | null>(null);
  const listeners = new Set<Acknowledged>();
  let sending: Promise<void> | null = null;
  let retry: ReturnType<typeof setTimeout> | undefined;

  const isSame = (a: Parcel, b: Parcel): boolean => a.events[0]?.id === b.events[0]?.id;
  const drop = (parcel: Parcel): void => {
    parcels.value = parcels.value.filter((other) => !isSame(other, parcel));
  };

  function acknowledge(parcel: Parcel, { events, lastSeq, standing }: AnswerOf<'append'>): void {
    drop(parcel);
    for (const later of parcels.value) if (later.batchId === parcel.batchId && later.since === null) later.afterSeq = lastSeq;
    for (const listener of listeners) listener(parcel.batchId, events, lastSeq, standing);
  }

  async function send(parcel: Parcel): Promise<boolean> {
    try {
      const answer = await api.append(parcel.batchId, parcel.afterSeq, parcel.events);
      away.value = '';
      acknowledge(parcel, answer);
      return true;
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
      if (error.isPassing) {
        away.value = error.message;
        return false;
      }
      if (error.code === 'stale') {
        parcel.since = error.since;
      } else {
        refused.value = { batchId: parcel.batchId, sentence: error.said, typed: parcel.typed };
        drop(parcel);
      }
      return true;
    }
  }

  async function sendAll(): Promise<void> {
    for (;;) {
      const waiting = parcels.value.find((parcel) => parcel.since === null);
      if (waiting === undefined) return;
      if (!(await send(waiting))) {
        clearTimeout(retry);
        retry = setTimeout(() => void flush(), RETRY_MS);
        return;
      }
    }
  }

  /** Sends what waits, oldest first; tries again by itself while the server is away. */
  function flush(): Promise<void> {
    sending ??= sendAll().finally(() => {
      sending = null;
    });
    return sending;
  }

  function submit(batchId: string, afterSeq: number, events: NewEvent[], typed: string): Promise<void> {
    refused.value = null;
    parcels.value = [...parcels.value, { batchId, afterSeq, events, typed, since: null }];
    return flush();
  }

  /** The maker has seen what others wrote and wants theirs written after it. */
  function writeAnyway(parcel: Parcel, lastSeq: number): Promise<void> {
    parcel.since = null;
    parcel.afterSeq = lastSeq;
    return flush();
  }

  const conflict = computed(() => parcels.value.find((parcel) => parcel.since !== null) ?? null);

  function onAcknowledged(listener: Acknowledged): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }

  return { parcels, of, conflict, away, refused, submit, flush, writeAnyway, drop, onAcknowledged };
});
