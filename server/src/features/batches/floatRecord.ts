import type { FloatPoint } from '@hollow-bell/core/float';
import type { Sequelize } from 'sequelize';
import type { BatchRecordKeeper } from './record.ts';
import type { BatchTables } from './tables.ts';

export interface FloatReading extends FloatPoint {
  slot: number;
}

/** What floats sent, beside the events of the batch they swim in. */
export function floatRecord(sequelize: Sequelize, { floats }: BatchTables, { eventsOf, mustFind, refold }: BatchRecordKeeper) {
  return {
    /** Keeps readings in slots that are still free, and the fold with them. Answers which slots were taken, and by which moment. */
    takeFloat: (batchId: string, deviceId: string, readings: readonly FloatReading[]): Promise<Map<number, number>> =>
      sequelize.transaction(async (transaction) => {
        const row = await mustFind(batchId, transaction, true);
        const slots = readings.map(({ slot }) => slot);
        const there = await floats.findAll({ where: { batchId, deviceId, slot: slots }, raw: true, transaction });
        const taken = new Map(there.map(({ slot, takenMs }) => [Number(slot), Number(takenMs)]));
        const fresh = readings.filter(({ slot }) => !taken.has(slot));
        if (fresh.length === 0) return taken;
        await floats.bulkCreate(
          fresh.map(({ slot, at, sg, tempC }) => ({ batchId, deviceId, slot, takenMs: at, sg, tempC })),
          { transaction },
        );
        await refold(row, await eventsOf(batchId, transaction), transaction);
        return taken;
      }),
  };
}
