import { sentOf } from '@hollow-bell/contract';
import type { BatchRecord } from '@hollow-bell/contract';
import type { Sent } from '@hollow-bell/core/float';
import type { BatchEvent } from '@hollow-bell/core/record';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { ApiFailure, api } from '../api/client.ts';
import { isWaiting, useOutbox } from './outbox.ts';
import type { Parcel } from './outbox.ts';

/** What is on record, and behind it what this browser has written and the server has not confirmed. */
export function withPending(recorded: readonly BatchEvent[], parcels: readonly Parcel[]): BatchEvent[] {
  const known = new Set(recorded.map((event) => event.id));
  const pending = parcels.filter(isWaiting).flatMap((parcel) => parcel.events);
  const fresh = pending.filter((event) => !known.has(event.id));
  /** Each goes behind the one before, so it is entered no earlier, however long ago it happened. */
  let enteredAt = recorded.reduce((latest, event) => Math.max(latest, event.enteredAt), 0);
  const behind = fresh.map((event, i): BatchEvent => {
    enteredAt = Math.max(enteredAt, event.happenedAt);
    return { ...event, seq: recorded.length + i + 1, enteredAt };
  });
  return [...recorded, ...behind];
}

/** The record of the batch that is open. */
export const useRecord = defineStore('record', () => {
  const outbox = useOutbox();
  const batch = ref<BatchRecord | null>(null);
  const problem = ref('');
  const parcels = computed(() => outbox.of(batch.value?.id));
  const events = computed(() => withPending(batch.value?.events ?? [], parcels.value));
  /** What floats and probes sent, as it came. */
  const sent = computed<Sent>(() => (batch.value === null ? { float: [], probe: [] } : sentOf(batch.value)));

  async function open(id: string): Promise<void> {
    if (batch.value?.id !== id) batch.value = null;
    await reload(id);
  }

  async function reload(id: string): Promise<void> {
    try {
      batch.value = await api.batch(id);
      problem.value = '';
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
      problem.value = error.message;
    }
  }

  outbox.onAcknowledged((batchId, acknowledged, lastSeq) => {
    const current = batch.value;
    if (current === null || current.id !== batchId) return;
    const known = new Set(current.events.map((event) => event.id));
    const all = [...current.events, ...acknowledged.filter((event) => !known.has(event.id))].sort((a, b) => a.seq - b.seq);
    batch.value = { ...current, events: all, lastSeq };
  });

  /** After another window wrote: read it, then write ours behind it. */
  async function settle(choice: 'write' | 'leave'): Promise<void> {
    const parcel = outbox.conflict;
    if (parcel === null) return;
    if (batch.value?.id === parcel.batchId) await reload(parcel.batchId);
    const lastSeq = Math.max(0, ...(parcel.since ?? []).map(({ seq }) => seq));
    if (choice === 'leave') outbox.drop(parcel);
    else await outbox.writeAnyway(parcel, lastSeq);
  }

  return { batch, problem, events, sent, open, reload, settle };
});
