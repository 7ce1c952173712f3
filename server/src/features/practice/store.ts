import type { Practice } from '@hollow-bell/contract';
import { DataTypes, Model } from 'sequelize';
import type { Sequelize } from 'sequelize';

class PracticeRow extends Model {
  declare id: number;
  declare settings: Practice;
}

/** The house practice: one row, or none before the first start is answered. */
export function practiceStore(sequelize: Sequelize) {
  PracticeRow.init(
    { id: { type: DataTypes.SMALLINT, primaryKey: true, defaultValue: 1 }, settings: { type: DataTypes.JSONB, allowNull: false } },
    { sequelize, tableName: 'practice', underscored: true, createdAt: false, updatedAt: 'updated_at' },
  );
  return {
    read: async (): Promise<Practice | null> => (await PracticeRow.findByPk(1, { raw: true }))?.settings ?? null,
    write: async (settings: Practice): Promise<void> => {
      await PracticeRow.upsert({ id: 1, settings });
    },
  };
}

export type PracticeStore = ReturnType<typeof practiceStore>;
