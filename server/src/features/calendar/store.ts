import { randomBytes } from 'node:crypto';
import { DataTypes } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';
import { hashOf } from '../../http/secrets.ts';

interface AddressRow extends Model {
  id: number;
  tokenHash: string;
  seenAt: Date | null;
}

/** 24 random bytes: not to be guessed, short enough to be typed into a telephone. */
const TOKEN_BYTES = 24;

/** The token of the address that calendars subscribe to: one row with its hash, or none while nobody may. */
export function calendarStore(sequelize: Sequelize, now: () => number) {
  const addresses = sequelize.define<AddressRow>(
    'calendar',
    {
      id: { type: DataTypes.SMALLINT, primaryKey: true, defaultValue: 1 },
      tokenHash: { type: DataTypes.TEXT, allowNull: false },
      seenAt: { type: DataTypes.DATE },
    },
    { tableName: 'calendar_address', underscored: true, createdAt: false, updatedAt: 'updated_at' },
  );
  return {
    standing: async (): Promise<{ isOpen: boolean; seenAt: number | null }> => {
      const row = await addresses.findByPk(1);
      return { isOpen: row !== null, seenAt: row?.seenAt?.getTime() ?? null };
    },
    /** Whether this token opens it; then it was asked for just now. */
    opens: async (token: string): Promise<boolean> => {
      const [found] = await addresses.update({ seenAt: new Date(now()) }, { where: { id: 1, tokenHash: hashOf(token) }, silent: true });
      return found > 0;
    },
    /** A new token, told this once; the one before stops working. */
    renew: async (): Promise<string> => {
      const token = randomBytes(TOKEN_BYTES).toString('base64url');
      await addresses.upsert({ id: 1, tokenHash: hashOf(token), seenAt: null });
      return token;
    },
    close: async (): Promise<void> => {
      await addresses.destroy({ where: { id: 1 } });
    },
  };
}

export type CalendarStore = ReturnType<typeof calendarStore>;
