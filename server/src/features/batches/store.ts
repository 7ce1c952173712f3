import { isDeepStrictEqual } from 'node:util';
import { DELETED_FOR_MS } from '@hollow-bell/contract';
import type { Batch, BatchList, BatchPlan, BatchSummary, Fate, ListQuery, NewEvent } from '@hollow-bell/contract';
import { upcast } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import { Op, QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';
import { bringing } from './bringing.ts';
import { pageOfBook } from './book.ts';
import { batchTables } from './tables.ts';
import type { BatchRow } from './tables.ts';
import { batchRecord, requireFresh, summaryOf } from './record.ts';
import { floatRecord } from './floatRecord.ts';
import { transfers } from './transfers.ts';

/** More shelves than a house has. */
const MOST_SHELVES = 2000;

/** Batches, their plans and their record of events. Each write is one transaction with its fold. */
export function batchStore(sequelize: Sequelize, now: () => number) {
  const tables = batchTables(sequelize);
  const { batches, plans } = tables;
  const keeper = batchRecord(sequelize, tables);
  const { createWithin, eventsOf, mustFind, planOf, readText, readWithin, record, requireBelievable } = keeper;

  async function withPlans(found: readonly BatchRow[]): Promise<BatchSummary[]> {
    const rows = await keeper.upToDate(found);
    const known = await plans.findAll({ where: { batchId: { [Op.in]: rows.map((row) => row.id) } } });
    const byKey = new Map(known.map((plan) => [`${plan.batchId} ${plan.version}`, plan.plan]));
    return rows.flatMap((row) => {
      const plan = byKey.get(`${row.id} ${row.planVersion}`);
      return plan === undefined ? [] : [summaryOf(row, plan)];
    });
  }

  /** Whole records, once their day of grace is over. */
  const forgetDeleted = (): Promise<void> =>
    sequelize.transaction(async (transaction) => {
      const over = { fate: 'deleted', fatedAt: { [Op.lt]: new Date(now() - DELETED_FOR_MS) } };
      const ids = (await batches.findAll({ where: over, attributes: ['id'], transaction, lock: true })).map(({ id }) => id);
      if (ids.length === 0) return;
      await keeper.destroy(ids, transaction);
    });

  return {
    /** Which batches stand open, each with a mark that changes whenever anything of it does. What was put away may still ring for its bottles. */
    marks: (): Promise<{ id: string; mark: string; isAway: boolean }[]> =>
      sequelize.query<{ id: string; mark: string; isAway: boolean }>(
        `SELECT id, xmin::text AS mark, fate <> 'kept' AS "isAway" FROM batches
          WHERE ((open OR cellared) AND fate = 'kept') OR (open AND bottled AND fate = 'archived') ORDER BY created_at, id`,
        {
          type: QueryTypes.SELECT,
        },
      ),

    async some(ids: readonly string[]): Promise<BatchSummary[]> {
      const rows = await batches.findAll({ where: { id: { [Op.in]: [...ids] } } });
      return withPlans(rows);
    },

    async open(): Promise<BatchSummary[]> {
      const rows = await batches.findAll({
        where: { [Op.or]: [{ open: true }, { cellared: true }], fate: 'kept' },
        order: [
          ['createdAt', 'ASC'],
          ['id', 'ASC'],
        ],
        limit: 5000,
      });
      return withPlans(rows);
    },

    /** Everything that was ever bottled, newest first. */
    async bottled(): Promise<BatchSummary[]> {
      const rows = await batches.findAll({
        where: { bottled: true, fate: 'kept' },
        order: [
          ['createdAt', 'DESC'],
          ['id', 'DESC'],
        ],
        limit: MOST_SHELVES,
      });
      return withPlans(rows);
    },

    /** Of what was deleted, what had its day of grace is gone first. */
    async list(query: ListQuery): Promise<BatchList> {
      await forgetDeleted();
      return pageOfBook(tables, keeper, query, now());
    },

    readText,
    read: (id: string): Promise<Batch> => sequelize.transaction((transaction) => readWithin(id, transaction)),
    refoldOlder: keeper.refoldOlder,

    /** Repeating the request with the same id answers with the batch as it is. */
    create: (id: string, name: string, plan: BatchPlan): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        await createWithin({ id, name, plan, createdAt: new Date(now()) }, transaction);
        return readWithin(id, transaction);
      }),

    rename: (id: string, name: string): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        await row.update({ name }, { transaction });
        return readWithin(id, transaction);
      }),

    /** Put away, deleted, or back among those that stand. The same asked again keeps the first time. */
    decide: (id: string, fate: Fate): Promise<{ fate: Fate }> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        if (row.fate !== fate) await row.update({ fate, fatedAt: fate === 'kept' ? null : new Date(now()) }, { transaction });
        return { fate };
      }),

    /** Writes the next version of the plan; earlier ones stay. The same sent again is written once. */
    replan: (id: string, afterVersion: number, plan: BatchPlan): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        if (row.planVersion === afterVersion + 1 && isDeepStrictEqual(await planOf(row, transaction), plan))
          return readWithin(id, transaction);
        if (row.planVersion !== afterVersion)
          throw new HttpProblem(409, 'stale', 'The plan was changed in another window; look at it before you write over it.', []);
        const version = afterVersion + 1;
        await plans.create({ batchId: id, version, plan, writtenAt: new Date(now()) }, { transaction });
        await row.update({ planVersion: version }, { transaction });
        return readWithin(id, transaction);
      }),

    /** Appends events all or none. Events already on record under their ids are not written again. */
    append: (id: string, afterSeq: number, newEvents: readonly NewEvent[]): Promise<{ lastSeq: number; events: BatchEvent[] }> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        let onRecord = await eventsOf(id, transaction);
        const known = new Set(onRecord.map((event) => event.id));
        const fresh = newEvents.filter((event) => !known.has(event.id)).map(upcast);
        const asked = new Set(newEvents.map((event) => event.id));
        if (fresh.length > 0) {
          requireFresh(onRecord, afterSeq, asked);
          await requireBelievable(row, onRecord, fresh, now(), transaction);
          onRecord = await record(row, onRecord, fresh, now(), transaction);
        }
        return { lastSeq: onRecord.length, events: onRecord.filter((event) => asked.has(event.id)) };
      }),

    ...bringing(tables, keeper, now),
    ...transfers(sequelize, keeper, now),
    ...floatRecord(sequelize, tables, keeper),
  };
}

export type BatchStore = ReturnType<typeof batchStore>;
