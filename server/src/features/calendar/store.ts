import { randomBytes } from 'node:crypto';
import { DataTypes, Model } from 'sequelize';
import type { Sequelize } from 'sequelize';

class AddressRow extends Model {
  declare id: number;
  declare token: string;
}

/** 24 random bytes: not to be guessed, short enough to be typed into a telephone. */
const TOKEN_BYTES = 24;

/** The token of the address that calendars subscribe to: one row, or none while nobody may. */
export function calendarStore(sequelize: Sequelize) {
  AddressRow.init(
    { id: { type: DataTypes.SMALLINT, primaryKey: true, defaultValue: 1 }, token: { type: DataTypes.TEXT, allowNull: false } },
    { sequelize, tableName: 'calendar_address', underscored: true, createdAt: false, updatedAt: 'updated_at' },
  );
  return {
    token: async (): Promise<string | null> => (await AddressRow.findByPk(1, { raw: true }))?.token ?? null,
    /** A new token; the one before stops working. */
    renew: async (): Promise<string> => {
      const token = randomBytes(TOKEN_BYTES).toString('base64url');
      await AddressRow.upsert({ id: 1, token });
      return token;
    },
    close: async (): Promise<void> => {
      await AddressRow.destroy({ where: { id: 1 } });
    },
  };
}

export type CalendarStore = ReturnType<typeof calendarStore>;
