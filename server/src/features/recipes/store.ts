import { isDeepStrictEqual } from 'node:util';
import type { KeptRecipe, Recipe } from '@hollow-bell/contract';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Ledger } from '@hollow-bell/core/record';
import { stateOf } from '@hollow-bell/core/watch';
import { DataTypes, QueryTypes } from 'sequelize';
import type { Model, Sequelize, Transaction } from 'sequelize';
import { inTransaction } from '../../database/connect.ts';
import { HttpProblem } from '../../http/errors.ts';

interface RecipeRow extends Model {
  id: string;
  name: string;
  tags: string[];
  note: string;
  plan: Recipe['must'];
  fromBatch: string | null;
  version: number;
  updatedAt: Date;
}

const MOST = 5000;

/** Plans kept without a batch, with what came of each. */
export function recipeStore(sequelize: Sequelize, now: () => number) {
  const recipes = sequelize.define<RecipeRow>(
    'recipes',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      tags: { type: DataTypes.JSONB, allowNull: false },
      note: { type: DataTypes.TEXT, allowNull: false },
      plan: { type: DataTypes.JSONB, allowNull: false },
      fromBatch: { type: DataTypes.UUID },
      version: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'recipes', underscored: true },
  );

  const recipeOf = ({ id, name, tags, note, plan: must, fromBatch }: RecipeRow): Recipe => ({ id, name, tags, note, must, fromBatch });

  function phaseOf(ledger: Ledger): KeptRecipe['made'][number]['phase'] {
    try {
      return stateOf(ledger, now()).phase;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return 'unreckoned';
    }
  }

  /** Batches by the recipe that their present plan names. */
  async function madeFrom(): Promise<Map<string, KeptRecipe['made']>> {
    const rows = await sequelize.query<{ recipe: string; id: string; name: string; ledger: Ledger }>(
      `SELECT p.plan -> 'madeFrom' ->> 'recipeId' AS recipe, b.id, b.name, b.ledger FROM batches b
       JOIN batch_plans p ON p.batch_id = b.id AND p.version = b.plan_version
       WHERE b.fate = 'kept' AND p.plan -> 'madeFrom' ->> 'recipeId' IS NOT NULL ORDER BY b.created_at DESC LIMIT ${MOST}`,
      { type: QueryTypes.SELECT },
    );
    const by = new Map<string, KeptRecipe['made']>();
    for (const { recipe, id, name, ledger } of rows) {
      const words = ledger.history.tastings.at(-1)?.words;
      by.set(recipe, [...(by.get(recipe) ?? []), { id, name, phase: phaseOf(ledger), ...(words === undefined ? {} : { words }) }]);
    }
    return by;
  }

  const kept = (row: RecipeRow, made: KeptRecipe['made'] = []): KeptRecipe => ({
    recipe: recipeOf(row),
    version: row.version,
    savedAt: row.updatedAt.getTime(),
    made,
  });

  return {
    async list(): Promise<KeptRecipe[]> {
      const made = await madeFrom();
      const rows = await recipes.findAll({ order: [['updatedAt', 'DESC']], limit: MOST });
      return rows.map((row) => kept(row, made.get(row.id)));
    },

    /** Writes a recipe, new where `afterVersion` is 0. Repeating a writing answers with it as it is. */
    put: ({ must: plan, ...recipe }: Recipe, afterVersion: number, within?: Transaction): Promise<KeptRecipe> =>
      inTransaction(sequelize, within, async (transaction) => {
        const made = await sequelize.query<{ id: string }>(
          `INSERT INTO recipes (id, name, tags, note, plan, from_batch, version, created_at, updated_at)
           VALUES ($id, $name, $tags, $note, $plan, $fromBatch, 1, now(), now()) ON CONFLICT (id) DO NOTHING RETURNING id`,
          {
            bind: { ...recipe, tags: JSON.stringify(recipe.tags), plan: JSON.stringify(plan) },
            type: QueryTypes.SELECT,
            transaction,
          },
        );
        const row = await recipes.findByPk(recipe.id, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true });
        if (made.length > 0) return kept(row);
        const isSame = isDeepStrictEqual(recipeOf(row), { ...recipe, must: plan });
        if (isSame && (afterVersion === 0 || row.version === afterVersion + 1)) return kept(row);
        if (afterVersion !== row.version)
          throw new HttpProblem(409, 'stale', `${row.name} was changed in another window; look at it before you write over it.`, []);
        await row.update({ ...recipe, plan, version: row.version + 1 }, { transaction });
        return kept(row);
      }),

    remove: async (id: string): Promise<void> => {
      await recipes.destroy({ where: { id } });
    },
  };
}

export type RecipeStore = ReturnType<typeof recipeStore>;
