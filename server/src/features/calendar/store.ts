import { randomBytes } from 'node:crypto';
import { DataTypes } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';

interface AddressRow extends Model {
  id: number;
  token: string;
}

/** 24 random bytes: not to be guessed, short enough to be typed into a telephone. */
const TOKEN_BYTES = 24;

/** The token of the address that calendars subscribe to: one row, or none while nobody may. */
export function calendarStore(sequelize: Sequelize) {
  const addresses = sequelize.define<AddressRow>(
    'calendar',
    { id: { type: DataTypes.SMALLINT, primaryKey: true, defaultValue: 1 }, token: { type: DataTypes.TEXT, allowNull: false } },
    { tableName: 'calendar_address', underscored: true, createdAt: false, updatedAt: 'updated_at' },
  );
  return {
    token: async (): Promise<string | null> => (await addresses.findByPk(1, { raw: true }))?.token ?? null,
    /** A new token; the one before stops working. */
    renew: async (): Promise<string> => {
      const token = randomBytes(TOKEN_BYTES).toString('base64url');
      await addresses.upsert({ id: 1, token });
      return token;
    },
    close: async (): Promise<void> => {
      await addresses.destroy({ where: { id: 1 } });
    },
  };
}

export type CalendarStore = ReturnType<typeof calendarStore>;
