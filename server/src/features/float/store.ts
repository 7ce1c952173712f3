import { randomBytes } from 'node:crypto';
import { FLOAT_SLOT_MS, PROBE_SLOT_MS, floatRefusal, probeRefusal } from '@hollow-bell/contract';
import type { FloatAnswer, FloatDevice, FloatPost, MadeFloat } from '@hollow-bell/contract';
import { DataTypes, ForeignKeyConstraintError } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';
import type { GuessBook } from '../../http/guesses.ts';
import { hashOf } from '../../http/secrets.ts';

interface DeviceRow extends Model {
  id: string;
  name: string;
  batchId: string | null;
  tokenHash: string;
  lastSeenAt: Date | null;
  keptBack: number;
}

interface InSlot {
  slot: number;
  at: number;
}
type FloatReading = InSlot & { sg: number; tempC: number | null };
type ProbeReading = InSlot & { coreC: number; bathC: number | null };

export interface FloatRecord {
  takeFloat: (batchId: string, deviceId: string, readings: readonly FloatReading[]) => Promise<Map<number, number>>;
  takeProbe: (batchId: string, deviceId: string, readings: readonly ProbeReading[]) => Promise<Map<number, number>>;
}

/** In hex, so that no shell and no float takes a sign in it for something else. */
const TOKEN_BYTES = 24;
const deviceOf = ({ id, name, batchId, lastSeenAt, keptBack }: DeviceRow): FloatDevice => ({
  id,
  name,
  batchId,
  lastSeenAt: lastSeenAt?.getTime() ?? null,
  keptBack,
});

/** Readings by their slots, of which each keeps one; the others are counted as repeated or kept back. */
function slots<R extends InSlot>() {
  const bySlot = new Map<number, R>();
  const counted = { kept: 0, repeated: 0, keptBack: 0 };
  const count = (at: number, keptAt: number): void => {
    counted[at === keptAt ? 'repeated' : 'keptBack'] += 1;
  };
  return {
    counted,
    put: (reading: R): void => {
      const same = bySlot.get(reading.slot);
      if (same === undefined) bySlot.set(reading.slot, reading);
      else count(reading.at, same.at);
    },
    keep: async (write: (readings: readonly R[]) => Promise<Map<number, number>>): Promise<void> => {
      if (bySlot.size === 0) return;
      const taken = await write([...bySlot.values()]);
      for (const { slot, at } of bySlot.values()) {
        const keptAt = taken.get(slot);
        if (keptAt !== undefined) count(at, keptAt);
      }
      counted.kept = bySlot.size - taken.size;
    },
  };
}

/** Floats that may post, each with a token of its own, and what becomes of their posts. */
export function floatStore(sequelize: Sequelize, batches: FloatRecord, { guess }: GuessBook, now: () => number) {
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

  /** A batch that is not, or no longer, there holds no float. */
  async function intoBatch<T>(hanging: Promise<T>): Promise<T> {
    try {
      return await hanging;
    } catch (error) {
      if (!(error instanceof ForeignKeyConstraintError)) throw error;
      throw new HttpProblem(404, 'not_found', 'There is no such batch in this cellar; hang the float into one that is there.');
    }
  }

  return {
    list: async (): Promise<FloatDevice[]> => (await devices.findAll({ order: [['name', 'ASC']] })).map(deviceOf),

    /** Repeating the request gives the float a new token; the one before stops working. */
    make: async (id: string, name: string, batchId: string): Promise<MadeFloat> => {
      const token = randomBytes(TOKEN_BYTES).toString('hex');
      await intoBatch(devices.upsert({ id, name, batchId, tokenHash: hashOf(token) }));
      return { float: deviceOf(await mustFind(id)), token };
    },

    hang: async (id: string, batchId: string | null): Promise<FloatDevice> =>
      deviceOf(await intoBatch((await mustFind(id)).update({ batchId }))),

    remove: async (id: string): Promise<void> => {
      await devices.destroy({ where: { id } });
    },

    /** Takes what is good of a post, of a float or a probe; says of the rest what is wrong with it. Repeating a post writes nothing twice. */
    take: async (token: string, { readings }: FloatPost, address: string): Promise<FloatAnswer> => {
      const device = await devices.findOne({ where: { tokenHash: hashOf(token) } });
      if (device === null) await guess(address, () => Promise.resolve(null));
      if (device === null) throw new HttpProblem(401, 'not_allowed', 'No float has this token; make it known in Hollow Bell first.');
      if (device.batchId === null)
        throw new HttpProblem(409, 'not_allowed', 'This float hangs in no batch; hang it into one, then send again.');
      const refused: FloatAnswer['refused'] = [];
      const swum = slots<FloatReading>();
      const probed = slots<ProbeReading>();
      for (const [index, { at: given, sg, tempC, coreC, bathC }] of readings.entries()) {
        const at = given === undefined ? now() : Math.round(new Date(given).getTime());
        const message =
          coreC !== undefined
            ? probeRefusal({ coreC, bathC, at }, now())
            : sg !== undefined
              ? floatRefusal({ sg, tempC, at }, now())
              : 'A float sends “sg”, a probe sends “coreC”.';
        if (message !== null) refused.push({ index, message });
        else if (coreC !== undefined) probed.put({ slot: Math.floor(at / PROBE_SLOT_MS), at, coreC, bathC: bathC ?? null });
        else if (sg !== undefined) swum.put({ slot: Math.floor(at / FLOAT_SLOT_MS), at, sg, tempC: tempC ?? null });
      }
      const { batchId } = device;
      await swum.keep((all) => batches.takeFloat(batchId, device.id, all));
      await probed.keep((all) => batches.takeProbe(batchId, device.id, all));
      const sum = (of: 'kept' | 'repeated' | 'keptBack'): number => swum.counted[of] + probed.counted[of];
      await device.update({ lastSeenAt: new Date(now()) });
      if (sum('keptBack') > 0) await device.increment({ keptBack: sum('keptBack') });
      return { kept: sum('kept'), repeated: sum('repeated'), keptBack: sum('keptBack'), refused };
    },
  };
}

export type FloatStore = ReturnType<typeof floatStore>;
