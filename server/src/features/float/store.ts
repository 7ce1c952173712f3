import { createHash, randomBytes } from 'node:crypto';
import { FLOAT_SLOT_MS, floatRefusal } from '@hollow-bell/contract';
import type { FloatAnswer, FloatDevice, FloatPost, MadeFloat } from '@hollow-bell/contract';
import { DataTypes } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';

interface DeviceRow extends Model {
  id: string;
  name: string;
  batchId: string | null;
  tokenHash: string;
  lastSeenAt: Date | null;
  keptBack: number;
}

export interface FloatRecord {
  takeFloat: (
    batchId: string,
    deviceId: string,
    readings: readonly { slot: number; at: number; sg: number; tempC: number | null }[],
  ) => Promise<Map<number, number>>;
}

/** In hex, so that no shell and no float takes a sign in it for something else. */
const TOKEN_BYTES = 24;
/** Tokens are long and random, so a plain hash keeps them as safe as a slow one would. */
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const deviceOf = ({ id, name, batchId, lastSeenAt, keptBack }: DeviceRow): FloatDevice => ({
  id,
  name,
  batchId,
  lastSeenAt: lastSeenAt?.getTime() ?? null,
  keptBack,
});

/** Floats that may post, each with a token of its own, and what becomes of their posts. */
export function floatStore(sequelize: Sequelize, batches: FloatRecord, now: () => number) {
  const devices = sequelize.define<DeviceRow>(
    'devices',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      batchId: { type: DataTypes.UUID },
      tokenHash: { type: DataTypes.TEXT, allowNull: false },
      lastSeenAt: { type: DataTypes.DATE },
      keptBack: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
    },
    { tableName: 'float_devices', underscored: true, createdAt: 'created_at', updatedAt: false },
  );

  async function mustFind(id: string): Promise<DeviceRow> {
    const row = await devices.findByPk(id);
    if (row === null) throw new HttpProblem(404, 'not_found', 'There is no such float; it may have been removed.');
    return row;
  }

  return {
    list: async (): Promise<FloatDevice[]> => (await devices.findAll({ order: [['name', 'ASC']] })).map(deviceOf),

    /** Repeating the request gives the float a new token; the one before stops working. */
    make: async (id: string, name: string, batchId: string): Promise<MadeFloat> => {
      const token = randomBytes(TOKEN_BYTES).toString('hex');
      await devices.upsert({ id, name, batchId, tokenHash: hashOf(token) });
      return { float: deviceOf(await mustFind(id)), token };
    },

    hang: async (id: string, batchId: string | null): Promise<FloatDevice> => deviceOf(await (await mustFind(id)).update({ batchId })),

    remove: async (id: string): Promise<void> => {
      await devices.destroy({ where: { id } });
    },

    /** Takes what is good of a post; says of the rest what is wrong with it. Repeating a post writes nothing twice. */
    take: async (token: string, { readings }: FloatPost): Promise<FloatAnswer> => {
      const device = await devices.findOne({ where: { tokenHash: hashOf(token) } });
      if (device === null) throw new HttpProblem(401, 'not_allowed', 'No float has this token; make it known in Hollow Bell first.');
      if (device.batchId === null)
        throw new HttpProblem(409, 'not_allowed', 'This float hangs in no batch; hang it into one, then send again.');
      const refused: FloatAnswer['refused'] = [];
      const bySlot = new Map<number, { slot: number; at: number; sg: number; tempC: number | null }>();
      let [repeated, keptBack] = [0, 0];
      const count = (at: number, keptAt: number): void => {
        if (at === keptAt) repeated += 1;
        else keptBack += 1;
      };
      for (const [index, { at: given, sg, tempC }] of readings.entries()) {
        const at = given === undefined ? now() : Math.round(new Date(given).getTime());
        const message = floatRefusal({ sg, tempC, at }, now());
        const slot = Math.floor(at / FLOAT_SLOT_MS);
        const sameSlot = bySlot.get(slot);
        if (message !== null) refused.push({ index, message });
        else if (sameSlot !== undefined) count(at, sameSlot.at);
        else bySlot.set(slot, { slot, at, sg, tempC: tempC ?? null });
      }
      const taken =
        bySlot.size === 0 ? new Map<number, number>() : await batches.takeFloat(device.batchId, device.id, [...bySlot.values()]);
      for (const { slot, at } of bySlot.values()) {
        const keptAt = taken.get(slot);
        if (keptAt !== undefined) count(at, keptAt);
      }
      await device.update({ lastSeenAt: new Date(now()) });
      if (keptBack > 0) await device.increment({ keptBack });
      return { kept: bySlot.size - taken.size, repeated, keptBack, refused };
    },
  };
}

export type FloatStore = ReturnType<typeof floatStore>;
