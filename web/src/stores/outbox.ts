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
  /** Why it could not be written though nothing is wrong with it; it stays until the maker decides. */
  held?: { why: string; needsNewIds: boolean };
}

/** It goes out by itself. */
export const isWaiting = ({ since, held }: Parcel): boolean => since === null && held === undefined;

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

  /** The maker takes it back before anybody has it; what was written behind it moves up. */
  function takeOut(parcel: Parcel): void {
    const at = parcels.value.findIndex((other) => isSame(other, parcel));
    for (const later of parcels.value.slice(at + 1)) if (later.batchId === parcel.batchId) later.afterSeq -= parcel.events.length;
    drop(parcel);
  }

  function acknowledge(parcel: Parcel, { events, lastSeq, standing }: AnswerOf<'append'>): void {
    drop(parcel);
    for (const later of parcels.value) if (later.batchId === parcel.batchId && isWaiting(later)) later.afterSeq = lastSeq;
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
      } else if (!error.isRefusal) {
        parcel.held = { why: error.message, needsNewIds: error.code === 'id_taken' };
      } else {
        refused.value = { batchId: parcel.batchId, sentence: error.said, typed: parcel.typed };
        drop(parcel);
      }
      return true;
    }
  }

  async function sendAll(): Promise<void> {
    for (;;) {
      const waiting = parcels.value.find(isWaiting);
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

  /** What was held goes out again, under ids of its own where somebody else has them. */
  function sendHeld(parcel: Parcel): Promise<void> {
    if (parcel.held?.needsNewIds === true) {
      const renamed = new Map(parcel.events.map(({ id }) => [id, crypto.randomUUID() as string]));
      parcel.events = parcel.events.map((event) => {
        const id = renamed.get(event.id) ?? event.id;
        if (event.kind !== 'amendment') return { ...event, id };
        const { eventId } = event.payload;
        return { ...event, id, payload: { ...event.payload, eventId: renamed.get(eventId) ?? eventId } };
      });
    }
    delete parcel.held;
    return flush();
  }

  const held = computed(() => parcels.value.find((parcel) => parcel.held !== undefined) ?? null);
  const conflict = computed(() => parcels.value.find((parcel) => parcel.since !== null) ?? null);

  function onAcknowledged(listener: Acknowledged): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }

  return { parcels, of, conflict, held, away, refused, submit, flush, writeAnyway, sendHeld, drop, takeOut, onAcknowledged };
});
