import type { Batch, BatchPlan, BatchSummary, NewEvent } from '@hollow-bell/contract';
import { checkEvents } from '@hollow-bell/core/check';
import { withSent } from '@hollow-bell/core/float';
import type { Sent } from '@hollow-bell/core/float';
import { Refusal } from '@hollow-bell/core/quantities';
import { LEDGER_VERSION, RECORD_VERSION, emptyLedger, fold, upcast, upcastLedger } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import { isCellared } from '@hollow-bell/core/cellar';
import { isOpen } from '@hollow-bell/core/glass';
import { Op, QueryTypes } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';
import type { BatchRow, BatchTables, EventRow } from './tables.ts';

const eventOf = (row: EventRow): BatchEvent =>
  upcast({
    id: row.id,
    seq: row.seq,
    kind: row.kind,
    version: row.version,
    payload: row.payload,
    happenedAt: row.happenedAt.getTime(),
    enteredAt: row.enteredAt.getTime(),
  } as BatchEvent & { version: number });

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
    ',"events":[', (SELECT string_agg(concat('{"id":"', id, '","seq":', seq, ',"kind":"', kind, '","version":', version,
        ',"happenedAt":', ${ms('happened_at')}, ',"enteredAt":', ${ms('entered_at')}, ',"payload":', payload, '}'), ',')
      FROM (SELECT * FROM batch_events WHERE batch_id = batch.id ORDER BY seq) AS event),
    '],"float":[', (SELECT string_agg(concat('[', taken_ms, ',', sg, ',', COALESCE(temp_c::text, 'null'), ']'), ',')
      FROM (SELECT * FROM float_readings WHERE batch_id = batch.id ORDER BY taken_ms) AS reading),
    '],"probe":[', (SELECT string_agg(concat('[', taken_ms, ',', core_c, ',', COALESCE(bath_c::text, 'null'), ']'), ',')
      FROM (SELECT * FROM probe_readings WHERE batch_id = batch.id ORDER BY taken_ms) AS reading), ']}') AS batch
  FROM batches AS batch JOIN batch_plans AS plan ON plan.batch_id = batch.id AND plan.version = batch.plan_version
  WHERE batch.id = $id`;

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

/** Batches with their events and what they fold to. A stored ledger of other rules is folded anew by whoever meets it. */
export function batchRecord(sequelize: Sequelize, { batches, plans, events, floats, probes }: BatchTables) {
  async function mustFind(id: string, transaction: Transaction, lock: boolean): Promise<BatchRow> {
    const row = await batches.findByPk(id, lock ? { transaction, lock: transaction.LOCK.UPDATE } : { transaction });
    if (row === null) throw noSuchBatch();
    return row;
  }

  const eventsOf = async (batchId: string, transaction: Transaction): Promise<BatchEvent[]> =>
    (await events.findAll({ where: { batchId }, order: [['seq', 'ASC']], transaction })).map(eventOf);

  async function planOf(row: BatchRow, transaction: Transaction): Promise<BatchPlan> {
    const plan = await plans.findOne({ where: { batchId: row.id, version: row.planVersion }, transaction });
    if (plan === null) throw new Error(`batch ${row.id} has no plan of version ${row.planVersion}`);
    return plan.plan;
  }

  async function sentOf(batchId: string, transaction: Transaction): Promise<Sent> {
    const all = { where: { batchId }, raw: true, transaction } as const;
    const float = await floats.findAll({ ...all, order: [['takenMs', 'ASC']] });
    const probe = await probes.findAll({ ...all, order: [['takenMs', 'ASC']] });
    return {
      float: float.map(({ takenMs, sg, tempC }) => ({ at: Number(takenMs), sg, tempC })),
      probe: probe.map(({ takenMs, coreC, bathC }) => ({ at: Number(takenMs), coreC, bathC })),
    };
  }

  /** Keeps the fold of events and float with the batch. */
  async function refold(row: BatchRow, onRecord: readonly BatchEvent[], transaction: Transaction): Promise<void> {
    const ledger = fold(await floated(row, onRecord, transaction));
    const bottled = ledger.history.bottled !== null;
    await row.update({ ledger, open: isOpen(ledger), bottled, cellared: isCellared(ledger) }, { transaction });
  }

  /** A batch whose record cannot be folded keeps what it had, and says so wherever it is shown. @returns false for such a one */
  async function refoldById(id: string): Promise<boolean> {
    try {
      await sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        if (row.ledger.version !== LEDGER_VERSION) await refold(row, await eventsOf(id, transaction), transaction);
      });
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return false;
    }
  }

  async function isOutdated(id: string, transaction?: Transaction): Promise<boolean> {
    const rows = await sequelize.query<{ version: number | null }>(
      `SELECT (ledger ->> 'version')::int AS version FROM batches WHERE id = $id`,
      {
        bind: { id },
        type: QueryTypes.SELECT,
        ...(transaction === undefined ? {} : { transaction }),
      },
    );
    return rows.some(({ version }) => version !== LEDGER_VERSION);
  }

  /** A whole batch as JSON text; who folds its record has no need of the ledger. */
  async function textOf(id: string, withLedger: boolean, transaction?: Transaction): Promise<string> {
    const rows = await sequelize.query<{ batch: string }>(readBatch(withLedger), {
      bind: { id },
      type: QueryTypes.SELECT,
      ...(transaction === undefined ? {} : { transaction }),
    });
    const [row] = rows;
    if (row === undefined) throw noSuchBatch();
    return row.batch;
  }

  const parsed = (text: string): Batch => {
    const batch = JSON.parse(text) as Batch;
    return { ...batch, ledger: upcastLedger(batch.ledger), events: batch.events.map(upcast) };
  };

  async function readText(id: string, withLedger: boolean): Promise<string> {
    if (withLedger && (await isOutdated(id))) await refoldById(id);
    return textOf(id, withLedger);
  }
  const readWithin = async (id: string, transaction: Transaction): Promise<Batch> => parsed(await textOf(id, true, transaction));

  /** Rows as this program folds them. */
  async function upToDate(rows: readonly BatchRow[]): Promise<readonly BatchRow[]> {
    const older = rows.filter(({ ledger }) => ledger.version !== LEDGER_VERSION);
    for (const row of older) {
      if (await refoldById(row.id)) await row.reload();
      else row.ledger = upcastLedger(row.ledger);
    }
    return rows;
  }

  /** All that older rules folded. @returns how many were folded anew, and the ids of those that could not be */
  async function refoldOlder(signal?: AbortSignal): Promise<{ folded: number; failed: string[] }> {
    const rows = await sequelize.query<{ id: string }>(
      `SELECT id FROM batches WHERE (ledger ->> 'version')::int IS DISTINCT FROM $version ORDER BY created_at`,
      { bind: { version: LEDGER_VERSION }, type: QueryTypes.SELECT },
    );
    const failed: string[] = [];
    let folded = 0;
    for (const { id } of rows) {
      if (signal?.aborted === true) break;
      if (await refoldById(id)) folded += 1;
      else failed.push(id);
    }
    return { folded, failed };
  }

  /** Puts events behind what is on record and keeps the fold of all of them with the batch. Believes them: check first. */
  async function record(
    row: BatchRow,
    onRecord: readonly BatchEvent[],
    fresh: readonly Unnumbered[],
    enteredAt: number,
    transaction: Transaction,
  ): Promise<BatchEvent[]> {
    const added = fresh.map((event, i) => ({ ...event, version: RECORD_VERSION, seq: onRecord.length + i + 1, enteredAt }) as BatchEvent);
    await events.bulkCreate(
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

  /** The record with what floats and probes sent among it. */
  const floated = async (row: BatchRow, onRecord: readonly BatchEvent[], transaction: Transaction): Promise<readonly BatchEvent[]> =>
    withSent(onRecord, await sentOf(row.id, transaction));

  /** Each event must be believable among all that is on record, and close no glass that could hurt someone. */
  async function requireBelievable(
    row: BatchRow,
    onRecord: readonly BatchEvent[],
    fresh: readonly Unnumbered[],
    enteredAt: number,
    transaction: Transaction,
  ): Promise<void> {
    checkEvents(await floated(row, onRecord, transaction), fresh as readonly NewEvent[], enteredAt);
  }

  /** Writes an empty batch with the first version of its plan, unless it is there already. */
  async function createWithin(
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

  /** Whole records with all that hangs on them. */
  async function destroy(ids: readonly string[], transaction: Transaction): Promise<void> {
    await sequelize.query('UPDATE float_devices SET batch_id = NULL WHERE batch_id IN (:ids)', { replacements: { ids }, transaction });
    const where = { batchId: { [Op.in]: [...ids] } };
    await floats.destroy({ where, transaction });
    await probes.destroy({ where, transaction });
    await events.destroy({ where, transaction });
    await plans.destroy({ where, transaction });
    await batches.destroy({ where: { id: { [Op.in]: [...ids] } }, transaction });
  }
  const hasFloat = async (batchId: string, transaction: Transaction): Promise<boolean> =>
    (await floats.count({ where: { batchId }, transaction })) + (await probes.count({ where: { batchId }, transaction })) > 0;

  return {
    destroy,
    hasFloat,
    mustFind,
    eventsOf,
    sentOf,
    planOf,
    refold,
    readText,
    readWithin,
    upToDate,
    refoldOlder,
    record,
    floated,
    requireBelievable,
    createWithin,
  };
}

export type BatchRecordKeeper = ReturnType<typeof batchRecord>;
