import type { Batch, Blend, Move, Split } from '@hollow-bell/contract';
import { CLOCK_SLACK_MS, doubtOf, fold, ledgerFigures, logOf, parcelOf } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sequelize, Transaction } from 'sequelize';
import { v5 as uuidOf } from 'uuid';
import { requireFresh } from './record.ts';
import type { BatchRecordKeeper } from './record.ts';
import type { BatchRow } from './tables.ts';

interface Recorded {
  row: BatchRow;
  events: BatchEvent[];
}

/** Names the two ends of a transfer from the id that the client chose, so that a repeated request writes nothing twice. */
const endOf = (id: string, end: 'out' | 'in'): string => uuidOf(end, id);

/** Liquid moved between batches: both records are written in one transaction, and the masses are the server's own. */
export function transfers(sequelize: Sequelize, keeper: BatchRecordKeeper, now: () => number) {
  const { createWithin, eventsOf, mustFind, planOf, readWithin, record, requireBelievable } = keeper;

  const requirePast = (happenedAt: number): void => {
    if (happenedAt > now() + CLOCK_SLACK_MS) throw new Refusal('That time lies in the future; write down what has happened.', 'happenedAt');
  };

  /** Both batches with their records, locked in one order whichever way round, so that two movers never wait for each other. */
  async function lockBoth(sourceId: string, targetId: string, transaction: Transaction): Promise<{ source: Recorded; target: Recorded }> {
    const recorded = async (id: string): Promise<Recorded> => ({
      row: await mustFind(id, transaction, true),
      events: await eventsOf(id, transaction),
    });
    if (sourceId < targetId) {
      const source = await recorded(sourceId);
      return { source, target: await recorded(targetId) };
    }
    const target = await recorded(targetId);
    return { source: await recorded(sourceId), target };
  }

  /** Siphons part of one batch into another, which may be new and empty. */
  async function move(
    source: Recorded,
    target: Recorded,
    move: { transferId: string; volumeL: number; happenedAt: number; vessel?: string; beside?: { batchId: string; name: string }[] },
    transaction: Transaction,
  ): Promise<{ source: BatchEvent[]; target: BatchEvent[] }> {
    const { transferId, volumeL, happenedAt, vessel, beside } = move;
    const latest = Math.max(0, ...[...source.events, ...target.events].map((event) => event.happenedAt));
    if (happenedAt < latest) throw new Refusal('Later entries stand in these records; liquid is moved as they are now.', 'happenedAt');
    const events = await keeper.floated(source.row, source.events, transaction);
    const siphoned = parcelOf(fold(events), volumeL);
    const parcel = { ...siphoned, history: { ...siphoned.history, doubt: doubtOf(ledgerFigures(events)) } };
    const { row: from } = source;
    const { row: to } = target;
    const out = {
      id: endOf(transferId, 'out'),
      kind: 'transferOut',
      happenedAt,
      payload: { toBatchId: to.id, toName: to.name, volumeL, ...(vessel === undefined ? {} : { vessel }) },
    } as const;
    const into = {
      id: endOf(transferId, 'in'),
      kind: 'transferIn',
      happenedAt,
      payload: { fromBatchId: from.id, fromName: from.name, volumeL, parcel, ...(beside === undefined ? {} : { beside }) },
    } as const;
    return {
      source: await record(from, source.events, [out], now(), transaction),
      target: await record(to, target.events, [into], now(), transaction),
    };
  }

  return {
    /** Each child inherits the ledger, the plan and the history; what is not taken stays in the parent. */
    split: (id: string, { afterSeq, happenedAt, children }: Split): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        requirePast(happenedAt);
        const row = await mustFind(id, transaction, true);
        let events = await eventsOf(id, transaction);
        const known = new Set(events.map((event) => event.id));
        const fresh = children.filter((child) => !known.has(endOf(child.id, 'out')));
        if (fresh.length === 0) return readWithin(id, transaction);
        requireFresh(events, afterSeq);
        const plan = await planOf(row, transaction);
        for (const child of fresh) {
          const childPlan = { ...plan, must: { ...plan.must, vessel: child.vessel } };
          await createWithin({ id: child.id, name: child.name, plan: childPlan, createdAt: new Date(now()) }, transaction);
          const target = { row: await mustFind(child.id, transaction, true), events: [] };
          const beside = children.filter((each) => each.id !== child.id).map((each) => ({ batchId: each.id, name: each.name }));
          const moved = {
            transferId: child.id,
            volumeL: child.volumeL,
            happenedAt,
            beside,
            ...(child.asItStands === true ? { vessel: child.vessel.name } : {}),
          };
          events = (await move({ row, events }, target, moved, transaction)).source;
        }
        return readWithin(id, transaction);
      }),

    /** Takes a split back: the child is as if it had never been, while nothing but the split is written in it, nor after it in its parent. */
    rejoin: (id: string, childId: string): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        const { source: parent, target: child } = await lockBoth(id, childId, transaction);
        const out = parent.events.find((event) => event.id === endOf(childId, 'out'));
        if (out === undefined) throw new Refusal('That batch was not split off this one.', 'childId');
        const takenBack = new Set(parent.events.flatMap((event) => (event.kind === 'amendment' ? [event.payload.eventId] : [])));
        const isBare = child.events.length === 1 && !(await keeper.hasFloat(childId, transaction));
        const isLast = parent.events
          .filter((event) => event.seq > out.seq && event.kind !== 'amendment' && !takenBack.has(event.id))
          .every((event) => event.kind === 'transferOut');
        if (!isBare || !isLast || takenBack.has(out.id))
          throw new Refusal('More was written since; what was split stays split. To bring it back, blend that batch into this one.');
        const withdrawal = {
          id: uuidOf('rejoined', childId),
          kind: 'amendment',
          happenedAt: now(),
          payload: { eventId: out.id, replacement: null },
        } as const;
        await record(parent.row, parent.events, [withdrawal], now(), transaction);
        await child.row.update({ fate: 'rejoined' }, { transaction });
        await keeper.destroy([childId], transaction);
        return readWithin(id, transaction);
      }),

    /** Takes a reading out of one record and writes it into another, at its own time; both records say so. */
    move: (id: string, { afterSeq, eventId, toId }: Move): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        if (toId === id) throw new Refusal('It stands in this batch already; choose another.', 'toId');
        const { source, target } = await lockBoth(id, toId, transaction);
        const movedId = endOf(eventId, 'in');
        if (target.events.some((event) => event.id === movedId)) return readWithin(id, transaction);
        requireFresh(source.events, afterSeq);
        const moved = logOf(source.events).find((entry) => entry.first.id === eventId && !entry.withdrawn)?.standing;
        if (moved?.kind !== 'reading') throw new Refusal('Only a reading that stands in this record can be moved.', 'eventId');
        const { happenedAt, payload } = moved;
        const into = { id: movedId, kind: 'reading', happenedAt, payload } as const;
        await requireBelievable(target.row, target.events, [into], now(), transaction);
        const withdrawal = {
          id: endOf(eventId, 'out'),
          kind: 'amendment',
          happenedAt: now(),
          payload: { eventId, replacement: null },
        } as const;
        await record(target.row, target.events, [into], now(), transaction);
        await record(source.row, source.events, [withdrawal], now(), transaction);
        return readWithin(id, transaction);
      }),

    blend: (id: string, { afterSeq, happenedAt, fromId, volumeL, transferId }: Blend): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        requirePast(happenedAt);
        if (fromId === id) throw new Refusal('A batch cannot be poured into itself; choose another.', 'fromId');
        const { source, target } = await lockBoth(fromId, id, transaction);
        if (target.events.some((event) => event.id === endOf(transferId, 'in'))) return readWithin(id, transaction);
        requireFresh(target.events, afterSeq);
        await move(source, target, { transferId, volumeL, happenedAt }, transaction);
        return readWithin(id, transaction);
      }),
  };
}
