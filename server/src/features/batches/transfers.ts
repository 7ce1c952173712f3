import type { Batch, Blend, Split } from '@hollow-bell/contract';
import { fold, parcelOf } from '@hollow-bell/core/ledger';
import type { BatchEvent } from '@hollow-bell/core/ledger';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sequelize, Transaction } from 'sequelize';
import { v5 as uuidOf } from 'uuid';
import type { BatchRow } from './models.ts';
import { createWithin, eventsOf, mustFind, planOf, readWithin, record, requireFresh } from './record.ts';

/** Names the two ends of a transfer from the id that the client chose, so that a repeated request writes nothing twice. */
const endOf = (transferId: string, end: 'out' | 'in'): string => uuidOf(end, transferId);

/** Liquid moved between batches: both records are written in one transaction, and the masses are the server's own. */
export function transfers(sequelize: Sequelize, now: () => number) {
  const requirePast = (happenedAt: number): void => {
    if (happenedAt > now() + 300_000) throw new Refusal('That time lies in the future; write down what has happened.', 'happenedAt');
  };

  /** Siphons part of one batch into another, which may be new and empty. */
  async function move(
    source: { row: BatchRow; events: BatchEvent[] },
    target: { row: BatchRow; events: BatchEvent[] },
    move: { transferId: string; volumeL: number; happenedAt: number },
    transaction: Transaction,
  ): Promise<{ source: BatchEvent[]; target: BatchEvent[] }> {
    const { transferId, volumeL, happenedAt } = move;
    const latest = Math.max(0, ...[...source.events, ...target.events].map((event) => event.happenedAt));
    if (happenedAt < latest) throw new Refusal('Later entries stand in these records; liquid is moved as they are now.', 'happenedAt');
    const parcel = parcelOf(fold(source.events), volumeL);
    const { row: from } = source;
    const { row: to } = target;
    const out = {
      id: endOf(transferId, 'out'),
      kind: 'transferOut',
      happenedAt,
      payload: { toBatchId: to.id, toName: to.name, volumeL },
    } as const;
    const into = {
      id: endOf(transferId, 'in'),
      kind: 'transferIn',
      happenedAt,
      payload: { fromBatchId: from.id, fromName: from.name, volumeL, parcel },
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
          await createWithin(sequelize, { id: child.id, name: child.name, plan: childPlan, createdAt: new Date(now()) }, transaction);
          const target = { row: await mustFind(child.id, transaction, true), events: [] };
          events = (await move({ row, events }, target, { transferId: child.id, volumeL: child.volumeL, happenedAt }, transaction)).source;
        }
        return readWithin(id, transaction);
      }),

    blend: (id: string, { afterSeq, happenedAt, fromId, volumeL, transferId }: Blend): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        requirePast(happenedAt);
        if (fromId === id) throw new Refusal('A batch cannot be poured into itself; choose another.', 'fromId');
        const rows = new Map<string, BatchRow>();
        for (const each of [id, fromId].sort()) rows.set(each, await mustFind(each, transaction, true));
        const [target, source] = [rows.get(id), rows.get(fromId)];
        if (target === undefined || source === undefined) throw new Error('locked rows went missing');
        const events = await eventsOf(id, transaction);
        if (events.some((event) => event.id === endOf(transferId, 'in'))) return readWithin(id, transaction);
        requireFresh(events, afterSeq);
        const sourceEvents = await eventsOf(fromId, transaction);
        await move({ row: source, events: sourceEvents }, { row: target, events }, { transferId, volumeL, happenedAt }, transaction);
        return readWithin(id, transaction);
      }),
  };
}
