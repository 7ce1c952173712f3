import type { Practice } from '@hollow-bell/contract';
import { DataTypes } from 'sequelize';
import type { Model, Sequelize, Transaction } from 'sequelize';

interface PracticeRow extends Model {
  id: number;
  settings: Practice;
}

/** The house practice: one row, or none before the first start is answered. */
export function practiceStore(sequelize: Sequelize) {
  const house = sequelize.define<PracticeRow>(
    'practice',
    { id: { type: DataTypes.SMALLINT, primaryKey: true, defaultValue: 1 }, settings: { type: DataTypes.JSONB, allowNull: false } },
    { tableName: 'practice', underscored: true, createdAt: false, updatedAt: 'updated_at' },
  );
  return {
    read: async (): Promise<Practice | null> => (await house.findByPk(1, { raw: true }))?.settings ?? null,
    write: async (settings: Practice, transaction?: Transaction): Promise<void> => {
      await house.upsert({ id: 1, settings }, transaction === undefined ? {} : { transaction });
    },
  };
}

export type PracticeStore = ReturnType<typeof practiceStore>;
