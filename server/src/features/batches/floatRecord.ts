import type { FloatPoint, ProbePoint } from '@hollow-bell/core/float';
import type { Sequelize, Transaction } from 'sequelize';
import type { BatchRecordKeeper } from './record.ts';
import type { BatchTables } from './tables.ts';

interface InSlot {
  slot: number;
  at: number;
}
export type FloatReading = FloatPoint & InSlot;
export type ProbeReading = ProbePoint & InSlot;

/** What floats and probes sent, beside the events of the batch they are in. */
export function floatRecord(sequelize: Sequelize, { floats, probes }: BatchTables, { eventsOf, mustFind, refold }: BatchRecordKeeper) {
  /** Keeps readings in slots that are still free, and the fold with them. Answers which slots were taken, and by which moment. */
  const take = <R extends InSlot>(
    batchId: string,
    readings: readonly R[],
    there: (slots: number[], transaction: Transaction) => Promise<readonly { slot: string; takenMs: string }[]>,
    keep: (fresh: readonly R[], transaction: Transaction) => Promise<unknown>,
  ): Promise<Map<number, number>> =>
    sequelize.transaction(async (transaction) => {
      const row = await mustFind(batchId, transaction, true);
      const slots = readings.map(({ slot }) => slot);
      const taken = new Map((await there(slots, transaction)).map(({ slot, takenMs }) => [Number(slot), Number(takenMs)]));
      const fresh = readings.filter(({ slot }) => !taken.has(slot));
      if (fresh.length === 0) return taken;
      await keep(fresh, transaction);
      await refold(row, await eventsOf(batchId, transaction), transaction);
      return taken;
    });

  return {
    takeFloat: (batchId: string, deviceId: string, readings: readonly FloatReading[]): Promise<Map<number, number>> =>
      take(
        batchId,
        readings,
        (slot, transaction) => floats.findAll({ where: { batchId, deviceId, slot }, raw: true, transaction }),
        (fresh, transaction) =>
          floats.bulkCreate(
            fresh.map(({ slot, at, sg, tempC }) => ({ batchId, deviceId, slot, takenMs: at, sg, tempC })),
            { transaction },
          ),
      ),
    takeProbe: (batchId: string, deviceId: string, readings: readonly ProbeReading[]): Promise<Map<number, number>> =>
      take(
        batchId,
        readings,
        (slot, transaction) => probes.findAll({ where: { batchId, deviceId, slot }, raw: true, transaction }),
        (fresh, transaction) =>
          probes.bulkCreate(
            fresh.map(({ slot, at, coreC, bathC }) => ({ batchId, deviceId, slot, takenMs: at, coreC, bathC })),
            { transaction },
          ),
      ),
  };
}
