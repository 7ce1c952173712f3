import { sentOf } from '@hollow-bell/contract';
import type { BatchRecord, NewEvent } from '@hollow-bell/contract';
import { answered, checkEvents, entryDoubts } from '@hollow-bell/core/check';
import { DAP_CAP_G_PER_L } from '@hollow-bell/core/nitrogen';
import { withSent } from '@hollow-bell/core/float';
import type { Sentence } from '@hollow-bell/core/quantities';
import { RECORD_VERSION, fold } from '@hollow-bell/core/record';
import type { BatchEvent, EventContent, Ledger } from '@hollow-bell/core/record';
import { defineStore } from 'pinia';
import { api } from '../api/client.ts';
import { useOutbox } from './outbox.ts';
import { usePractice } from './practice.ts';
import { useRecord, withPending } from './record.ts';
import { useShelf } from './shelf.ts';
import { useWrote } from './wrote.ts';

/** Something that happened, and when. */
export interface Row {
  content: EventContent;
  at: number;
}

/** Writing into any batch, open or not: judged here as the server will judge it, kept at once, and sent until it is acknowledged. */
export const useWriting = defineStore('writing', () => {
  const outbox = useOutbox();
  const house = usePractice();
  const open = useRecord();
  const shelf = useShelf();
  const wrote = useWrote();
  /** Taking back is no act to be taken back in its turn. */
  let isUndoing = false;

  /** The open batch is at hand: nothing is waited for before what is written in it is kept. */
  async function recordOf(batchId: string): Promise<BatchRecord> {
    if (open.batch?.id === batchId) return open.batch;
    const [record] = await Promise.all([api.batch(batchId), shelf.loadOnce()]);
    return record;
  }

  /** What a careful friend would ask before these are written. */
  function doubtsOf(ledger: Ledger, contents: readonly EventContent[], at: number, beside = contents): Sentence[] {
    const { region, noSulfites } = open.batch?.plan.practice ?? house.practice;
    const rules = { dapCapGPerL: DAP_CAP_G_PER_L[region], noSulfites };
    return contents.flatMap((content) => entryDoubts(ledger, content, at, rules, beside));
  }

  /**
   * Writes what happened, after what wants a second look was answered. Throws a Refusal with a sentence when it cannot have happened
   * so; otherwise it is kept at once and sent. Answers false where the maker left it out.
   */
  async function writeAt(batchId: string, rows: readonly Row[], told: string, isSure = false): Promise<boolean> {
    const record = await recordOf(batchId);
    const events: BatchEvent[] = withPending(record.events, outbox.of(batchId));
    const folded = withSent(events, sentOf(record));
    const contents = rows.map(({ content }) => content);
    const ledger = fold(folded);
    if (!isSure) {
      if (!(await wrote.ask(rows.flatMap(({ content, at }) => doubtsOf(ledger, [content], at, contents))))) return false;
    }
    const fresh = rows.map(({ content, at }): NewEvent => ({
      ...shelf.fromLot(answered(ledger, content, at)),
      id: crypto.randomUUID(),
      happenedAt: Math.round(at),
      version: RECORD_VERSION,
    }));
    checkEvents(folded, fresh, Date.now());
    const ids = fresh.map((event) => event.id);
    if (!isUndoing) wrote.remember({ batchId, ids, told });
    await outbox.submit(batchId, events.length, fresh, told);
    if (outbox.refused !== null && !isUndoing) wrote.takeLast();
    if (outbox.refused !== null) wrote.hush();
    return true;
  }

  const write = (
    batchId: string,
    contents: readonly EventContent[],
    told: string,
    { at = Date.now(), isSure = false } = {},
  ): Promise<boolean> =>
    writeAt(
      batchId,
      contents.map((content) => ({ content, at })),
      told,
      isSure,
    );

  const withdraw = (batchId: string, ids: readonly string[], told: string): Promise<boolean> =>
    write(
      batchId,
      ids.map((eventId) => ({ kind: 'amendment', payload: { eventId, replacement: null } })),
      told,
    );

  /** Takes the last act back; the one before it is then the last. */
  async function undo(): Promise<void> {
    const { last } = wrote;
    if (last === null) return;
    isUndoing = true;
    try {
      if (await withdraw(last.batchId, last.ids, `took back: ${last.told}`)) wrote.takeLast();
    } finally {
      isUndoing = false;
    }
  }

  return { doubtsOf, write, writeAt, withdraw, undo };
});
