import { feedingPracticeOf } from '@hollow-bell/contract';
import type { Batch, Practice } from '@hollow-bell/contract';
import { feedingNow, feedingPlanOf } from '@hollow-bell/core/feed';
import { withSent } from '@hollow-bell/core/float';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import { beforeBottling, fold, isAllBottled, ledgerFigures, logOf, standsIn, viewOf } from '@hollow-bell/core/record';
import type { EventContent, LogEntry } from '@hollow-bell/core/record';
import { asksOf, knotsOf, stationOf } from '@hollow-bell/core/rounds';
import { USUAL_SCHOOL, gatesOf } from '@hollow-bell/core/stabilize';
import { expectedEnd } from '@hollow-bell/core/glass';
import { stateOf } from '@hollow-bell/core/watch';
import { useNow } from '@vueuse/core';
import type { Vessel } from '@hollow-bell/core/vessel';
import { defineStore, storeToRefs } from 'pinia';
import { computed, unref } from 'vue';
import { useKept } from './kept.ts';
import { useRecord } from './record.ts';
import { useShelf } from './shelf.ts';
import { useWriting } from './writing.ts';
import type { Row } from './writing.ts';
import { useWrote } from './wrote.ts';

/** The batch that is open: its record, and what follows from it. */
export const useBatch = defineStore('batch', () => {
  const record = useRecord();
  const { batch, problem, events, sent } = storeToRefs(record);
  const writing = useWriting();
  const wrote = useWrote();
  const shelf = useShelf();
  const clock = useNow({ interval: 20_000 });
  const now = computed(() => clock.value.getTime());

  const folded = computed(() => withSent(events.value, sent.value));
  const ledger = computed(() => fold(folded.value));
  const feeding = computed(() => (batch.value === null ? null : feedingPlanOf(ledger.value, feedingPracticeOf(batch.value.plan))));

  async function open(id: string): Promise<void> {
    wrote.hush();
    void shelf.loadOnce();
    await record.open(id);
  }

  const view = computed(() => viewOf(ledger.value));
  /** Of the vessel; once it is bottled, of what went into the bottles. */
  const figures = computed(() => ledgerFigures(isAllBottled(ledger.value) ? beforeBottling(folded.value) : folded.value));
  const fed = computed(() => (feeding.value === null ? null : feedingNow(feeding.value, ledger.value, now.value)));
  const state = computed(() => stateOf(ledger.value, now.value));
  const end = computed(() => expectedEnd(ledger.value));
  const practice = computed(() => batch.value?.plan.practice ?? {});
  /** How it is kept from new life. */
  const school = computed(() => batch.value?.plan.practice.stabilizing ?? USUAL_SCHOOL);
  const gates = computed(() => gatesOf(ledger.value, now.value, school.value));
  /** The vessels it stands in; none once it is bottled. */
  const stands = computed(() =>
    batch.value === null || isAllBottled(ledger.value) ? [] : standsIn(ledger.value, batch.value.plan.must.vessel),
  );
  const asks = computed(() => asksOf(ledger.value, feeding.value, now.value, practice.value));
  const station = computed(() => stationOf(ledger.value, feeding.value, now.value, practice.value));

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

  const inIt = async (deed: (batchId: string) => Promise<boolean>): Promise<boolean> => batch.value !== null && deed(batch.value.id);

  /** How this batch is worked, from now on; the house keeps its own practice. */
  async function practise(over: Partial<Practice>): Promise<void> {
    const current = batch.value;
    if (current === null) return;
    const plan = { ...current.plan, practice: { ...current.plan.practice, ...over } };
    batch.value = await useKept().write<Batch>({ what: 'plan', id: current.id, afterVersion: current.planVersion, plan });
  }

  /** A reading that belongs to another batch goes there, at its own time. */
  async function move(eventId: string, toId: string): Promise<void> {
    const current = batch.value;
    if (current === null) return;
    const move = { afterSeq: current.lastSeq, eventId, toId };
    batch.value = await useKept().write<Batch>({ what: 'move', id: current.id, move });
    wrote.forget(current.id);
  }

  /** Parts of it siphoned into vessels of their own, each a batch from then on. */
  async function split(
    parts: readonly { volumeL: number; vessel: Vessel; name?: string; asItStands?: boolean }[],
    at: number,
  ): Promise<void> {
    const current = batch.value;
    if (current === null) return;
    const children = parts.map(({ volumeL, vessel, name, asItStands }, i) => ({
      id: crypto.randomUUID(),
      name: name ?? `${current.name} ${i + 2}`,
      volumeL,
      vessel,
      ...(asItStands === true ? { asItStands } : {}),
    }));
    const asked = { afterSeq: current.lastSeq, happenedAt: Math.round(at), children };
    batch.value = await useKept().write<Batch>({ what: 'split', id: current.id, split: asked });
    wrote.forget(current.id);
  }

  async function rejoin(childId: string): Promise<void> {
    const current = batch.value;
    if (current === null) return;
    batch.value = await useKept().write<Batch>({ what: 'rejoin', id: current.id, childId });
    wrote.forget(current.id);
  }

  return {
    batch,
    split,
    rejoin,
    problem,
    now,
    events,
    ledger,
    view,
    float: computed(() => sent.value.float),
    probe: computed(() => sent.value.probe),
    figures,
    log: computed<LogEntry[]>(() => logOf(events.value).toReversed()),
    feeding,
    feedingNow: fed,
    state,
    end,
    gates,
    school,
    asks,
    station,
    stands,
    knots: computed(() => knotsOf(ledger.value, feeding.value, station.value, now.value)),
    unreckoned,
    open,
    reload: record.reload,
    move,
    practise,
    doubtsOf: (contents: readonly EventContent[], at: number): Sentence[] => writing.doubtsOf(ledger.value, contents, at),
    write: (contents: readonly EventContent[], told: string, how: { at?: number; isSure?: boolean } = {}): Promise<boolean> =>
      inIt((id) => writing.write(id, contents, told, how)),
    writeAt: (rows: readonly Row[], told: string, isSure = false): Promise<boolean> =>
      inIt((id) => writing.writeAt(id, rows, told, isSure)),
    withdraw: (ids: readonly string[], told: string): Promise<boolean> => inIt((id) => writing.withdraw(id, ids, told)),
  };
});
