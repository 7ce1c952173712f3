import { feedingPracticeOf, floatPointsOf } from '@hollow-bell/contract';
import type { BatchRecord, NewEvent } from '@hollow-bell/contract';
import { DAP_CAP_G_PER_L, feedingNow, feedingPlanOf } from '@hollow-bell/core/feed';
import { checkEvents, entryDoubts } from '@hollow-bell/core/check';
import { withFloat } from '@hollow-bell/core/float';
import type { BatchEvent, EventContent, LogEntry } from '@hollow-bell/core/record';
import { RECORD_VERSION, beforeBottling, fold, ledgerFigures, logOf, viewOf } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import { asksOf, knotsOf, stationOf } from '@hollow-bell/core/rounds';
import { gatesOf } from '@hollow-bell/core/stabilize';
import { expectedEnd, stateOf } from '@hollow-bell/core/watch';
import { useNow } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, unref, ref, shallowRef } from 'vue';
import { ApiFailure, api } from '../api/client.ts';
import { useOutbox } from './outbox.ts';
import { usePractice } from './practice.ts';
import { useShelf } from './shelf.ts';

interface Row {
  content: EventContent;
  /** When it happened. */
  at: number;
}

/** The batch that is open: its record, what waits to be written, and what follows from both. */
export const useBatch = defineStore('batch', () => {
  const outbox = useOutbox();
  const house = usePractice();
  const shelf = useShelf();
  const batch = ref<BatchRecord | null>(null);
  const problem = ref('');
  const doubted = shallowRef<{ sentences: Sentence[]; resolve: (isSo: boolean) => void } | null>(null);
  const lastWritten = ref<{ ids: string[]; told: string } | null>(null);
  const clock = useNow({ interval: 20_000 });
  const now = computed(() => clock.value.getTime());

  const parcels = computed(() => outbox.parcels.filter((parcel) => parcel.batchId === batch.value?.id));
  const conflict = computed(() => parcels.value.find((parcel) => parcel.since !== null) ?? null);

  /** The record, and behind it what this browser has written and the server has not confirmed. */
  const events = computed<BatchEvent[]>(() => {
    const recorded = batch.value?.events ?? [];
    const known = new Set(recorded.map((event) => event.id));
    const pending = parcels.value.filter((parcel) => parcel.since === null).flatMap((parcel) => parcel.events);
    const fresh = pending.filter((event) => !known.has(event.id));
    return [...recorded, ...fresh.map((event, i): BatchEvent => ({ ...event, seq: recorded.length + i + 1, enteredAt: event.happenedAt }))];
  });
  /** What floats sent, as it came. */
  const float = computed(() => (batch.value === null ? [] : floatPointsOf(batch.value)));
  const folded = computed(() => withFloat(events.value, float.value));
  const ledger = computed(() => fold(folded.value));
  const feeding = computed(() => (batch.value === null ? null : feedingPlanOf(ledger.value, feedingPracticeOf(batch.value.plan))));

  async function open(id: string): Promise<void> {
    if (batch.value?.id !== id) batch.value = null;
    lastWritten.value = null;
    void shelf.loadOnce();
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

  const view = computed(() => viewOf(ledger.value));
  /** Of the vessel; once it is bottled, of what went into the bottles. */
  const figures = computed(() => ledgerFigures(beforeBottling(folded.value)));
  const fed = computed(() => (feeding.value === null ? null : feedingNow(feeding.value, ledger.value, now.value)));
  const state = computed(() => stateOf(ledger.value, now.value));
  const end = computed(() => expectedEnd(ledger.value));
  const gates = computed(() => gatesOf(ledger.value, now.value));
  const asks = computed(() => asksOf(ledger.value, feeding.value, now.value));
  const station = computed(() => stationOf(ledger.value, feeding.value, now.value));

  /** Why this record cannot be reckoned; null where it can. Its log is there all the same. */
  const unreckoned = computed<Sentence | null>(() => {
    try {
      [view, figures, fed, state, end, gates, asks, station].forEach((each) => unref<unknown>(each));
      return null;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return error.said;
    }
  });

  /**
   * Writes what happened, after what wants a second look was answered. Throws a Refusal with a sentence when it cannot have happened
   * so; otherwise it is kept at once and sent. Answers false where the maker left it out.
   */
  const write = (contents: EventContent[], told: string, { at = Date.now(), isSure = false } = {}): Promise<boolean> =>
    writeAt(
      contents.map((content) => ({ content, at })),
      told,
      isSure,
    );

  /** The same for things that happened each at a time of its own. */
  async function writeAt(rows: readonly Row[], told: string, isSure = false): Promise<boolean> {
    const current = batch.value;
    if (current === null) return false;
    if (!isSure && !(await isMeant(rows))) return false;
    const fresh = rows.map(({ content, at }): NewEvent => ({
      ...shelf.fromLot(content),
      id: crypto.randomUUID(),
      happenedAt: Math.round(at),
      version: RECORD_VERSION,
    }));
    checkEvents(folded.value, fresh, Date.now());
    lastWritten.value = { ids: fresh.map((event) => event.id), told };
    await outbox.submit(current.id, events.value.length, fresh, told);
    if (outbox.refused !== null) lastWritten.value = null;
    return true;
  }

  /** What a careful friend would ask before these are written. */
  function doubtsOf(contents: readonly EventContent[], at: number, beside = contents): Sentence[] {
    const rules = { dapCapGPerL: DAP_CAP_G_PER_L[house.practice.region] };
    return contents.flatMap((content) => entryDoubts(ledger.value, content, at, rules, beside));
  }

  /** Asks about what wants a second look; an answer comes from the maker. */
  async function isMeant(rows: readonly Row[]): Promise<boolean> {
    const contents = rows.map(({ content }) => content);
    const sentences = rows.flatMap(({ content, at }) => doubtsOf([content], at, contents));
    if (sentences.length === 0) return true;
    answer(false);
    return new Promise((resolve) => {
      doubted.value = { sentences, resolve };
    });
  }

  function answer(isSo: boolean): void {
    const asked = doubted.value;
    doubted.value = null;
    asked?.resolve(isSo);
  }

  const withdraw = (ids: string[], told: string): Promise<boolean> =>
    write(
      ids.map((eventId) => ({ kind: 'amendment', payload: { eventId, replacement: null } })),
      told,
    );

  async function undo(): Promise<void> {
    const last = lastWritten.value;
    if (last === null) return;
    await withdraw(last.ids, `Took back: ${last.told}`);
  }

  /** A reading that belongs to another batch goes there, at its own time. */
  async function move(eventId: string, toId: string): Promise<void> {
    const current = batch.value;
    if (current === null) return;
    batch.value = await api.move(current.id, { afterSeq: current.lastSeq, eventId, toId });
    lastWritten.value = null;
  }

  /** After another window wrote: read it, then write ours behind it. */
  async function settle(choice: 'write' | 'leave'): Promise<void> {
    const parcel = conflict.value;
    const id = batch.value?.id;
    if (parcel === null || id === undefined) return;
    await reload(id);
    if (choice === 'leave') outbox.drop(parcel);
    else await outbox.writeAnyway(parcel, batch.value?.lastSeq ?? 0);
  }

  return {
    batch,
    problem,
    now,
    events,
    conflict,
    lastWritten,
    doubted,
    doubtsOf,
    answer,
    ledger,
    view,
    float,
    figures,
    log: computed<LogEntry[]>(() => logOf(events.value).toReversed()),
    feeding,
    feedingNow: fed,
    state,
    end,
    gates,
    asks,
    station,
    knots: computed(() => knotsOf(ledger.value, feeding.value, station.value, now.value)),
    unreckoned,
    open,
    reload,
    move,
    write,
    writeAt,
    withdraw,
    undo,
    settle,
  };
});
