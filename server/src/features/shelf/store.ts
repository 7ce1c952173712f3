import { isDeepStrictEqual } from 'node:util';
import type { ShelfItem, Shelved } from '@hollow-bell/contract';
import { DataTypes, QueryTypes } from 'sequelize';
import type { Model, Sequelize, Transaction } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';

interface ShelfRow extends Model {
  id: string;
  item: ShelfItem;
  version: number;
}

/** Lots, packets, vessels and instruments. What batches took is read from their records, so taking an entry back gives it back. */
export function shelfStore(sequelize: Sequelize) {
  const shelf = sequelize.define<ShelfRow>(
    'shelf',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      item: { type: DataTypes.JSONB, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'shelf_items', underscored: true },
  );

  async function takenG(): Promise<Map<string, number>> {
    const rows = await sequelize.query<{ lot: string; grams: number }>(
      `SELECT lot.key AS lot, sum(lot.value::float8) AS grams FROM batches, jsonb_each_text(ledger -> 'taken') AS lot GROUP BY lot.key`,
      { type: QueryTypes.SELECT },
    );
    return new Map(rows.map(({ lot, grams }) => [lot, grams]));
  }

  const shelved = (row: ShelfRow, taken: Map<string, number>): Shelved => ({
    item: row.item,
    takenG: taken.get(row.id) ?? 0,
    version: row.version,
  });

  /** A batch whose record or present plan names this lot. */
  async function userOf(id: string, transaction: Transaction): Promise<string | null> {
    const rows = await sequelize.query<{ name: string }>(
      `SELECT b.name FROM batches b LEFT JOIN batch_plans p ON p.batch_id = b.id AND p.version = b.plan_version
       WHERE jsonb_exists(b.ledger -> 'taken', $id) OR p.plan -> 'must' -> 'ingredients' @> $line::jsonb OR p.plan -> 'must' ->> 'yeastLotId' = $id
       ORDER BY b.created_at LIMIT 1`,
      { bind: { id, line: JSON.stringify([{ lotId: id }]) }, type: QueryTypes.SELECT, transaction },
    );
    return rows[0]?.name ?? null;
  }

  return {
    async list(): Promise<Shelved[]> {
      const taken = await takenG();
      const rows = await shelf.findAll({
        order: [
          ['createdAt', 'ASC'],
          ['id', 'ASC'],
        ],
      });
      return rows.map((row) => shelved(row, taken));
    },

    /** Writes an item, new where `afterVersion` is 0. Repeating a writing answers with the item as it is. */
    put: (item: ShelfItem, afterVersion: number): Promise<Shelved> =>
      sequelize.transaction(async (transaction) => {
        const row = await shelf.findByPk(item.id, { transaction, lock: transaction.LOCK.UPDATE });
        if (row === null) return shelved(await shelf.create({ id: item.id, item, version: 1 }, { transaction }), new Map());
        if (afterVersion === 0) return shelved(row, await takenG());
        if (row.version === afterVersion + 1 && isDeepStrictEqual(row.item, item)) return shelved(row, await takenG());
        if (afterVersion !== row.version)
          throw new HttpProblem(409, 'stale', `${row.item.name} was changed in another window; look at it before you write over it.`, []);
        await row.update({ item, version: row.version + 1 }, { transaction });
        return shelved(row, await takenG());
      }),

    /** All of them or none. Lots that are already there are written over. */
    importAll: (items: readonly ShelfItem[]): Promise<number> =>
      sequelize.transaction(async (transaction) => {
        for (const item of items) {
          const row = await shelf.findByPk(item.id, { transaction, lock: transaction.LOCK.UPDATE });
          if (row === null) await shelf.create({ id: item.id, item, version: 1 }, { transaction });
          else await row.update({ item, version: row.version + 1 }, { transaction });
        }
        return items.length;
      }),

    remove: (id: string): Promise<void> =>
      sequelize.transaction(async (transaction) => {
        const row = await shelf.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
        if (row === null) return;
        const user = await userOf(id, transaction);
        if (user !== null)
          throw new HttpProblem(
            422,
            'bad_input',
            `${row.item.name} belongs to the record of “${user}” and cannot be thrown out; put it away instead, and it leaves the shelf.`,
          );
        await row.destroy({ transaction });
      }),
  };
}

export type ShelfStore = ReturnType<typeof shelfStore>;
