import type { Batch, BatchPlan, BatchSummary, NewEvent } from '@hollow-bell/contract';
import { checkEvent, emptyLedger, fold } from '@hollow-bell/core/ledger';
import type { BatchEvent } from '@hollow-bell/core/ledger';
import { Op } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';
import { BatchRow, EventRow, PlanRow, initModels } from './models.ts';

const eventOf = (row: EventRow): BatchEvent =>
  ({
    id: row.id,
    seq: row.seq,
    kind: row.kind,
    payload: row.payload,
    happenedAt: row.happenedAt.getTime(),
    enteredAt: row.enteredAt.getTime(),
  }) as BatchEvent;

const summaryOf = (row: BatchRow, plan: BatchPlan): BatchSummary => ({
  id: row.id,
  name: row.name,
  createdAt: row.createdAt.getTime(),
  lastSeq: row.lastSeq,
  planVersion: row.planVersion,
  plan,
  ledger: row.ledger,
});

/** Batches, their plans and their record of events. Each write is one transaction with its fold. */
export function batchStore(sequelize: Sequelize, now: () => number) {
  initModels(sequelize);

  async function mustFind(id: string, transaction: Transaction, lock: boolean): Promise<BatchRow> {
    const row = await BatchRow.findByPk(id, lock ? { transaction, lock: transaction.LOCK.UPDATE } : { transaction });
    if (row === null) throw new HttpProblem(404, 'not_found', 'There is no such batch in this cellar.');
    return row;
  }

  const eventsOf = async (batchId: string, transaction: Transaction): Promise<BatchEvent[]> =>
    (await EventRow.findAll({ where: { batchId }, order: [['seq', 'ASC']], transaction })).map(eventOf);

  async function planOf(row: BatchRow, transaction: Transaction): Promise<BatchPlan> {
    const plan = await PlanRow.findOne({ where: { batchId: row.id, version: row.planVersion }, transaction });
    if (plan === null) throw new Error(`batch ${row.id} has no plan of version ${row.planVersion}`);
    return plan.plan;
  }

  async function readWithin(id: string, transaction: Transaction): Promise<Batch> {
    const row = await mustFind(id, transaction, false);
    return { ...summaryOf(row, await planOf(row, transaction)), events: await eventsOf(id, transaction) };
  }

  return {
    async list(onlyOpen: boolean): Promise<BatchSummary[]> {
      const rows = await BatchRow.findAll({
        ...(onlyOpen ? { where: { open: true } } : {}),
        order: [
          ['createdAt', 'ASC'],
          ['id', 'ASC'],
        ],
        limit: 5000,
      });
      const plans = await PlanRow.findAll({ where: { batchId: { [Op.in]: rows.map((row) => row.id) } } });
      const byKey = new Map(plans.map((plan) => [`${plan.batchId} ${plan.version}`, plan.plan]));
      return rows.flatMap((row) => {
        const plan = byKey.get(`${row.id} ${row.planVersion}`);
        return plan === undefined ? [] : [summaryOf(row, plan)];
      });
    },

    read: (id: string): Promise<Batch> => sequelize.transaction((transaction) => readWithin(id, transaction)),

    /** Repeating the request with the same id answers with the batch as it is. */
    create: (id: string, name: string, plan: BatchPlan): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        const createdAt = new Date(now());
        await sequelize.query(
          `INSERT INTO batches (id, name, created_at, ledger) VALUES ($id, $name, $createdAt, $ledger) ON CONFLICT (id) DO NOTHING`,
          { bind: { id, name, createdAt, ledger: JSON.stringify(emptyLedger()) }, transaction },
        );
        await sequelize.query(
          `INSERT INTO batch_plans (batch_id, version, plan, written_at) VALUES ($id, 1, $plan, $createdAt) ON CONFLICT DO NOTHING`,
          { bind: { id, plan: JSON.stringify(plan), createdAt }, transaction },
        );
        return readWithin(id, transaction);
      }),

    rename: (id: string, name: string): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        await row.update({ name }, { transaction });
        return readWithin(id, transaction);
      }),

    /** Writes the next version of the plan; earlier ones stay. */
    replan: (id: string, afterVersion: number, plan: BatchPlan): Promise<Batch> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        if (row.planVersion !== afterVersion)
          throw new HttpProblem(409, 'stale', 'The plan was changed in another window; look at it before you write over it.', []);
        const version = afterVersion + 1;
        await PlanRow.create({ batchId: id, version, plan, writtenAt: new Date(now()) }, { transaction });
        await row.update({ planVersion: version }, { transaction });
        return readWithin(id, transaction);
      }),

    /**
     * Appends events all or none. Events already on record under their ids are not written again, so a repeated request
     * is harmless; a writer who has not seen the latest event is told what came since.
     */
    append: (id: string, afterSeq: number, newEvents: readonly NewEvent[]): Promise<{ lastSeq: number; events: BatchEvent[] }> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        const onRecord = await eventsOf(id, transaction);
        const known = new Set(onRecord.map((event) => event.id));
        const fresh = newEvents.filter((event) => !known.has(event.id));
        const asked = new Set(newEvents.map((event) => event.id));
        if (fresh.length > 0) {
          const since = onRecord.filter((event) => event.seq > afterSeq && !asked.has(event.id));
          if (since.length > 0)
            throw new HttpProblem(
              409,
              'stale',
              'Something was written to this batch in another window meanwhile; yours is kept, not yet written.',
              since,
            );
          const enteredAt = now();
          for (const event of fresh) {
            checkEvent(onRecord, event, enteredAt);
            onRecord.push({ ...event, seq: onRecord.length + 1, enteredAt });
          }
          const added = onRecord.slice(-fresh.length);
          await EventRow.bulkCreate(
            added.map((event) => ({
              ...event,
              batchId: id,
              happenedAt: new Date(event.happenedAt),
              enteredAt: new Date(event.enteredAt),
              amends: event.kind === 'amendment' ? event.payload.eventId : null,
            })),
            { transaction },
          );
          const ledger = fold(onRecord);
          await row.update({ lastSeq: onRecord.length, ledger, open: ledger.bottled === null }, { transaction });
        }
        return { lastSeq: onRecord.length, events: onRecord.filter((event) => asked.has(event.id)) };
      }),
  };
}

export type BatchStore = ReturnType<typeof batchStore>;
