import type { Batch, BatchPlan, BatchSummary, NewEvent } from '@hollow-bell/contract';
import { withFloat } from '@hollow-bell/core/float';
import type { FloatPoint } from '@hollow-bell/core/float';
import { checkEvents } from '@hollow-bell/core/check';
import { emptyLedger, fold } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import { isOpen } from '@hollow-bell/core/watch';
import { QueryTypes } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';
import { BatchRow, EventRow, FloatRow, PlanRow } from './models.ts';

const eventOf = (row: EventRow): BatchEvent =>
  ({
    id: row.id,
    seq: row.seq,
    kind: row.kind,
    payload: row.payload,
    happenedAt: row.happenedAt.getTime(),
    enteredAt: row.enteredAt.getTime(),
  }) as BatchEvent;

export const summaryOf = (row: BatchRow, plan: BatchPlan): BatchSummary => ({
  id: row.id,
  name: row.name,
  createdAt: row.createdAt.getTime(),
  lastSeq: row.lastSeq,
  planVersion: row.planVersion,
  plan,
  ledger: row.ledger,
});

const noSuchBatch = (): HttpProblem => new HttpProblem(404, 'not_found', 'There is no such batch in this cellar.');

export async function mustFind(id: string, transaction: Transaction, lock: boolean): Promise<BatchRow> {
  const row = await BatchRow.findByPk(id, lock ? { transaction, lock: transaction.LOCK.UPDATE } : { transaction });
  if (row === null) throw noSuchBatch();
  return row;
}

export const eventsOf = async (batchId: string, transaction: Transaction): Promise<BatchEvent[]> =>
  (await EventRow.findAll({ where: { batchId }, order: [['seq', 'ASC']], transaction })).map(eventOf);

export async function planOf(row: BatchRow, transaction: Transaction): Promise<BatchPlan> {
  const plan = await PlanRow.findOne({ where: { batchId: row.id, version: row.planVersion }, transaction });
  if (plan === null) throw new Error(`batch ${row.id} has no plan of version ${row.planVersion}`);
  return plan.plan;
}

/** A moment as ms since 1970 UTC, without a date to be parsed on the way. */
const ms = (column: string): string => `(date_part('epoch', ${column}) * 1000)::bigint`;

/**
 * PostgreSQL itself writes the JSON, as text: on this, the most asked route, building objects for each row, here or there, costs
 * more than the query.
 */
const readBatch = (withLedger: boolean): string => `
  SELECT concat(
    '{"id":"', batch.id, '","name":', to_json(batch.name), ',"createdAt":', ${ms('batch.created_at')}, ',"lastSeq":', batch.last_seq,
    ',"planVersion":', batch.plan_version, ',"plan":', plan.plan, ${withLedger ? `',"ledger":', batch.ledger,` : ''}
    ',"events":[', (SELECT string_agg(concat('{"id":"', id, '","seq":', seq, ',"kind":"', kind, '","happenedAt":', ${ms('happened_at')},
        ',"enteredAt":', ${ms('entered_at')}, ',"payload":', payload, '}'), ',')
      FROM (SELECT * FROM batch_events WHERE batch_id = batch.id ORDER BY seq) AS event),
    '],"float":[', (SELECT string_agg(concat('[', taken_ms, ',', sg, ',', COALESCE(temp_c::text, 'null'), ']'), ',')
      FROM (SELECT * FROM float_readings WHERE batch_id = batch.id ORDER BY taken_ms) AS reading), ']}') AS batch
  FROM batches AS batch JOIN batch_plans AS plan ON plan.batch_id = batch.id AND plan.version = batch.plan_version
  WHERE batch.id = $id`;

/** A whole batch as JSON text; who folds its record has no need of the ledger. */
export async function textOf(sequelize: Sequelize, id: string, withLedger: boolean, transaction?: Transaction): Promise<string> {
  const rows = await sequelize.query<{ batch: string }>(readBatch(withLedger), {
    bind: { id },
    type: QueryTypes.SELECT,
    ...(transaction === undefined ? {} : { transaction }),
  });
  const [row] = rows;
  if (row === undefined) throw noSuchBatch();
  return row.batch;
}

export const readWithin = async (sequelize: Sequelize, id: string, transaction: Transaction): Promise<Batch> =>
  JSON.parse(await textOf(sequelize, id, true, transaction)) as Batch;

export const floatOf = async (batchId: string, transaction: Transaction): Promise<FloatPoint[]> =>
  (await FloatRow.findAll({ where: { batchId }, order: [['takenMs', 'ASC']], raw: true, transaction })).map(({ takenMs, sg, tempC }) => ({
    at: Number(takenMs),
    sg,
    tempC,
  }));

/** Refuses a writer who has not seen the latest event, with what came since; its own events do not count. */
export function requireFresh(onRecord: readonly BatchEvent[], afterSeq: number, own: ReadonlySet<string> = new Set()): void {
  const since = onRecord.filter((event) => event.seq > afterSeq && !own.has(event.id));
  if (since.length > 0)
    throw new HttpProblem(
      409,
      'stale',
      'Something was written to this batch in another window meanwhile; yours is kept, not yet written.',
      since,
    );
}

type Unnumbered = Omit<BatchEvent, 'seq' | 'enteredAt'>;

/** Puts events behind what is on record and keeps the fold of all of them with the batch. Believes them: check first. */
export async function record(
  row: BatchRow,
  onRecord: readonly BatchEvent[],
  fresh: readonly Unnumbered[],
  enteredAt: number,
  transaction: Transaction,
): Promise<BatchEvent[]> {
  const added = fresh.map((event, i) => ({ ...event, seq: onRecord.length + i + 1, enteredAt }) as BatchEvent);
  await EventRow.bulkCreate(
    added.map((event) => ({
      ...event,
      batchId: row.id,
      happenedAt: new Date(event.happenedAt),
      enteredAt: new Date(event.enteredAt),
      amends: event.kind === 'amendment' ? event.payload.eventId : null,
    })),
    { transaction },
  );
  const all = [...onRecord, ...added];
  await row.update({ lastSeq: all.length }, { transaction });
  await refold(row, all, transaction);
  return all;
}

/** Keeps the fold of events and float with the batch. */
export async function refold(row: BatchRow, events: readonly BatchEvent[], transaction: Transaction): Promise<void> {
  const ledger = fold(withFloat(events, await floatOf(row.id, transaction)));
  await row.update({ ledger, open: isOpen(ledger) }, { transaction });
}

/** Each event must be believable among all that is on record, and close no glass that could hurt someone. */
export async function requireBelievable(
  row: BatchRow,
  onRecord: readonly BatchEvent[],
  fresh: readonly Unnumbered[],
  enteredAt: number,
  transaction: Transaction,
): Promise<void> {
  const float = await floatOf(row.id, transaction);
  checkEvents(withFloat(onRecord, float), fresh as readonly NewEvent[], enteredAt);
}

/** Writes an empty batch with the first version of its plan, unless it is there already. */
export async function createWithin(
  sequelize: Sequelize,
  { id, name, plan, createdAt }: { id: string; name: string; plan: BatchPlan; createdAt: Date },
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    `INSERT INTO batches (id, name, created_at, ledger) VALUES ($id, $name, $createdAt, $ledger) ON CONFLICT (id) DO NOTHING`,
    { bind: { id, name, createdAt, ledger: JSON.stringify(emptyLedger()) }, transaction },
  );
  await sequelize.query(
    `INSERT INTO batch_plans (batch_id, version, plan, written_at) VALUES ($id, 1, $plan, $createdAt) ON CONFLICT DO NOTHING`,
    { bind: { id, plan: JSON.stringify(plan), createdAt }, transaction },
  );
}
