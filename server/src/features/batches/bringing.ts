import { isDeepStrictEqual } from 'node:util';
import { feedingPracticeOf } from '@hollow-bell/contract';
import type { BatchFile, Brought } from '@hollow-bell/contract';
import { shelfOf } from '@hollow-bell/core/cellar';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { Refusal } from '@hollow-bell/core/quantities';
import { withSent } from '@hollow-bell/core/float';
import { contentsG, fold, massImbalanceG, parcelOf, upcastLedger, viewOf } from '@hollow-bell/core/record';
import type { BatchEvent, Ledger } from '@hollow-bell/core/record';
import { asksOf } from '@hollow-bell/core/rounds';
import { ConnectionError, DatabaseError } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { BatchRecordKeeper } from './record.ts';
import type { BatchRow, BatchTables } from './tables.ts';

/** Grams that a fold may be out of balance by its own arithmetic. */
const ROUNDING_G = 1e-3;

const faultIn = (name: string, why: string): Refusal => new Refusal(`“${name}” cannot come in: ${why} Nothing was changed.`);

function checkOrder({ name, events, plans }: BatchFile): void {
  if (events.some(({ seq }, i) => seq !== i + 1)) throw faultIn(name, 'its entries are not numbered one after the other.');
  if (plans.some(({ version }, i) => version !== i + 1)) throw faultIn(name, 'its plans are not numbered one after the other.');
  const ids = new Set(events.map(({ id }) => id));
  if (ids.size !== events.length) throw faultIn(name, 'two of its entries have one id.');
}

/** Entries of the file that are not on record here; the record must be the beginning of them, or the other way round. */
function fresh({ name, events }: BatchFile, onRecord: readonly BatchEvent[]): BatchFile['events'] {
  const both = Math.min(events.length, onRecord.length);
  const isOne = events.slice(0, both).every((event, i) => event.id === onRecord[i]?.id);
  if (!isOne) throw faultIn(name, 'it was written on here and there, and the two records part.');
  return events.slice(both);
}

/** A parcel as another program reckoned it may differ from this one's by so much (our estimate). */
const ALIKE = { share: 0.02, grams: 1 } as const;

/** Something is in it, and everything that is in it is a number. */
function isSound(given: Ledger): boolean {
  const { liquid, history } = upcastLedger(given);
  const isRead = history.readings.every(({ at, sg }) => Number.isFinite(at) && Number.isFinite(sg));
  return isRead && Object.values(liquid).every((mass) => Number.isFinite(mass)) && contentsG(liquid) > 0;
}

function isAlike(there: Ledger, given: Ledger): boolean {
  const { liquid } = upcastLedger(given);
  return (['waterG', 'sugarG', 'ethanolG', 'unfermentableG'] as const).every(
    (of) => Math.abs(there.liquid[of] - liquid[of]) <= ALIKE.share * there.liquid[of] + ALIKE.grams,
  );
}

/** Takes a whole record in: a new one, or what an own one has grown by elsewhere. */
export function bringing(tables: BatchTables, keeper: BatchRecordKeeper, now: () => number) {
  async function writeEvents(batchId: string, events: BatchFile['events'], transaction: Transaction): Promise<void> {
    await tables.events.bulkCreate(
      (events as unknown as BatchEvent[]).map((event) => ({
        ...event,
        batchId,
        version: event.version ?? 1,
        happenedAt: new Date(event.happenedAt),
        enteredAt: new Date(event.enteredAt),
        amends: event.kind === 'amendment' ? event.payload.eventId : null,
      })),
      { transaction },
    );
  }

  const sentIn = async (batchId: string, transaction: Transaction): Promise<number> =>
    (await tables.floats.count({ where: { batchId }, transaction })) + (await tables.probes.count({ where: { batchId }, transaction }));

  /** @returns how many of them were not here yet */
  async function writeSent(batch: BatchFile, transaction: Transaction): Promise<number> {
    const of = { batchId: batch.id };
    const before = await sentIn(batch.id, transaction);
    const quietly = { transaction, ignoreDuplicates: true };
    await tables.floats.bulkCreate(
      batch.float.map(({ at: takenMs, ...each }) => ({ ...each, ...of, takenMs })),
      quietly,
    );
    await tables.probes.bulkCreate(
      batch.probe.map(({ at: takenMs, ...each }) => ({ ...each, ...of, takenMs })),
      quietly,
    );
    return (await sentIn(batch.id, transaction)) - before;
  }

  /** Versions of the plan behind the one that is here, where they go on from it; a plan that parted from it stays behind. */
  async function writePlans({ id, plans }: BatchFile, row: BatchRow, transaction: Transaction): Promise<number> {
    const here = await keeper.planOf(row, transaction);
    const same = plans[row.planVersion - 1];
    const added = same !== undefined && isDeepStrictEqual(same.plan, here) ? plans.slice(row.planVersion) : [];
    await tables.plans.bulkCreate(
      added.map(({ version, writtenAt, plan }) => ({ batchId: id, version, plan, writtenAt: new Date(writtenAt) })),
      { transaction },
    );
    if (added.length > 0) await row.update({ planVersion: row.planVersion + added.length }, { transaction });
    return added.length;
  }

  /** What comes in can be reckoned, weighed and shown, or it does not come in: whatever a file trips over is a fault of the file. */
  async function refolded(row: BatchRow, name: string, transaction: Transaction): Promise<void> {
    try {
      await keeper.refold(row, await keeper.eventsOf(row.id, transaction), transaction);
      const { ledger } = row;
      const plan = await keeper.planOf(row, transaction);
      viewOf(ledger);
      asksOf(ledger, feedingPlanOf(ledger, feedingPracticeOf(plan)), now(), plan.practice);
      shelfOf(ledger, now());
    } catch (error) {
      if (error instanceof DatabaseError || error instanceof ConnectionError) throw error;
      throw faultIn(name, error instanceof Refusal ? error.message : 'its record cannot be reckoned.');
    }
    if (!(Math.abs(massImbalanceG(row.ledger.liquid)) < ROUNDING_G)) throw faultIn(name, 'its masses do not add up.');
  }

  async function bring(batch: BatchFile, transaction: Transaction): Promise<Brought> {
    checkOrder(batch);
    const { id, name, createdAt, fate, plans } = batch;
    const [first] = plans;
    if (first === undefined) throw faultIn(name, 'it has no plan.');
    const isHere = (await tables.batches.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE })) !== null;
    if (!isHere) await keeper.createWithin({ id, name, plan: first.plan, createdAt: new Date(createdAt) }, transaction);
    const row = await keeper.mustFind(id, transaction, true);
    const onRecord = await keeper.eventsOf(id, transaction);
    const added = fresh(batch, onRecord);
    if (!isHere) {
      const written = { writtenAt: new Date(first.writtenAt) };
      await tables.plans.update(written, { where: { batchId: id, version: 1 }, transaction });
      await row.update({ fate, fatedAt: fate === 'kept' ? null : new Date(createdAt) }, { transaction });
    }
    const more = (await writePlans(batch, row, transaction)) + (await writeSent(batch, transaction)) + added.length;
    if (isHere && more === 0) return { what: 'batch', name, does: 'is here already', entries: 0 };
    await writeEvents(id, added, transaction);
    await row.update({ lastSeq: onRecord.length + added.length }, { transaction });
    await refolded(row, name, transaction);
    return { what: 'batch', name, does: isHere ? 'grows' : 'comes in', entries: added.length };
  }

  /** Liquid that came from a batch which is here was taken out of it there, and is what was there. A batch that is gone is taken at its word. */
  async function checkParcels({ id, name, events }: BatchFile, transaction: Transaction): Promise<void> {
    for (const event of events as unknown as BatchEvent[]) {
      if (event.kind !== 'transferIn') continue;
      const { fromBatchId, fromName, volumeL, parcel } = event.payload;
      if (!isSound(parcel)) throw faultIn(name, `what it took over from “${fromName}” is nothing that can be poured.`);
      if ((await tables.batches.count({ where: { id: fromBatchId }, transaction })) === 0) continue;
      const source = await keeper.eventsOf(fromBatchId, transaction);
      const out = source.find((each) => each.kind === 'transferOut' && each.payload.toBatchId === id && each.payload.volumeL === volumeL);
      const there = out === undefined ? null : await parcelAt(fromBatchId, source, out, volumeL, transaction);
      if (there === null || !isAlike(there, parcel)) throw faultIn(name, `what it took over is not what “${fromName}” gave.`);
    }
  }

  async function parcelAt(
    batchId: string,
    source: readonly BatchEvent[],
    out: BatchEvent,
    volumeL: number,
    transaction: Transaction,
  ): Promise<Ledger> {
    const { float, probe } = await keeper.sentOf(batchId, transaction);
    const isBefore = ({ at }: { at: number }): boolean => at <= out.happenedAt;
    const before = source.filter(({ seq }) => seq < out.seq);
    return parcelOf(fold(withSent(before, { float: float.filter(isBefore), probe: probe.filter(isBefore) })), volumeL);
  }

  return { bring, checkParcels };
}
