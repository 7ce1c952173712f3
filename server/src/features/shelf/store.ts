import { isDeepStrictEqual } from 'node:util';
import type { ShelfItem, Shelved } from '@hollow-bell/contract';
import { DataTypes, QueryTypes } from 'sequelize';
import type { Model, Sequelize, Transaction } from 'sequelize';
import { inTransaction } from '../../database/connect.ts';
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

  async function takenG(transaction?: Transaction): Promise<Map<string, number>> {
    const rows = await sequelize.query<{ lot: string; grams: number }>(
      `SELECT lot.key AS lot, sum(lot.value::float8) AS grams FROM batches, jsonb_each_text(ledger -> 'taken') AS lot GROUP BY lot.key`,
      { type: QueryTypes.SELECT, ...(transaction === undefined ? {} : { transaction }) },
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

  /** Two who make the same new item at once both find it; one of them made it. @returns whether this one did */
  async function createUnlessThere(item: ShelfItem, transaction: Transaction): Promise<boolean> {
    const made = await sequelize.query<{ id: string }>(
      `INSERT INTO shelf_items (id, item, version, created_at, updated_at) VALUES ($id, $item, 1, now(), now()) ON CONFLICT (id) DO NOTHING RETURNING id`,
      { bind: { id: item.id, item: JSON.stringify(item) }, type: QueryTypes.SELECT, transaction },
    );
    return made.length > 0;
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
        const isNew = await createUnlessThere(item, transaction);
        const row = await shelf.findByPk(item.id, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true });
        if (isNew) return shelved(row, new Map());
        if (afterVersion === 0) return shelved(row, await takenG(transaction));
        if (row.version === afterVersion + 1 && isDeepStrictEqual(row.item, item)) return shelved(row, await takenG(transaction));
        if (afterVersion !== row.version)
          throw new HttpProblem(409, 'stale', `${row.item.name} was changed in another window; look at it before you write over it.`, []);
        await row.update({ item, version: row.version + 1 }, { transaction });
        return shelved(row, await takenG(transaction));
      }),

    /** All of them or none, in one order, so that two files never wait for each other. Lots that are already there are written over. */
    importAll: (items: readonly ShelfItem[], within?: Transaction): Promise<number> =>
      inTransaction(sequelize, within, async (transaction) => {
        for (const item of items.toSorted((a, b) => (a.id < b.id ? -1 : 1))) {
          if (await createUnlessThere(item, transaction)) continue;
          const row = await shelf.findByPk(item.id, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true });
          await row.update({ item, version: row.version + 1 }, { transaction });
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
