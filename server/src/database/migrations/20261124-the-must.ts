import { QueryTypes } from 'sequelize';
import type { Migration } from '../migration.ts';

/** What practices had before makers could choose it, as it stood when this was written. */
const SCHOOLS = { fruit: 'sulfite', pecticEnzyme: true, mustSulfite: false, pitch: 'rehydrate', currency: '€' };
const LOSSES = { leesShare: 0.06, samplesL: 0.2 };

interface OldHoney {
  name: string;
  massG: number;
  moisture: number;
  unfermentable: number;
}
interface OldPlan {
  must: { honeys: OldHoney[] } & Record<string, unknown>;
  practice: Record<string, unknown>;
}

/** A plan of honeys and water as one of ingredients. */
function planOfIngredients({ must: { honeys, ...must }, practice }: OldPlan): object {
  const ingredients = honeys.map(({ name, massG, moisture, unfermentable }, i) => ({
    id: `honey ${i + 1}`,
    name,
    family: 'honey',
    makes: 'honey',
    composition: {
      sugar: 1 - moisture - unfermentable,
      unfermentable,
      insoluble: 0,
      ammoniumNMgPerKg: 0,
      aminoNMgPerKg: 0,
      acidGPerKg: 0,
    },
    sugarSpread: 0,
    massG,
    stage: 'before',
    lock: 'free',
  }));
  return { must: { ...must, ingredients, losses: LOSSES, otherCost: 0, wanted: {} }, practice: { ...SCHOOLS, ...practice } };
}

interface PlanRow {
  batch_id: string;
  version: number;
  plan: OldPlan;
}

/** The shelf; plans that hold ingredients instead of honeys alone; practices with their schools of the brew day. */
export const theMust: Migration = {
  name: '20261124-the-must',
  up: async (queries, transaction) => {
    const { sequelize } = queries;
    await sequelize.query(
      `
      CREATE TABLE shelf_items (
        id uuid PRIMARY KEY,
        item jsonb NOT NULL,
        version integer NOT NULL DEFAULT 1,
        created_at timestamptz NOT NULL,
        updated_at timestamptz NOT NULL
      );
      CREATE INDEX batch_plans_ingredients ON batch_plans USING gin ((plan -> 'must' -> 'ingredients') jsonb_path_ops);
      `,
      { transaction },
    );
    const rows = await sequelize.query<PlanRow>('SELECT batch_id, version, plan FROM batch_plans', {
      type: QueryTypes.SELECT,
      transaction,
    });
    for (const { batch_id, version, plan } of rows) {
      if (!('honeys' in plan.must)) continue;
      await sequelize.query('UPDATE batch_plans SET plan = $plan WHERE batch_id = $batch_id AND version = $version', {
        bind: { batch_id, version, plan: JSON.stringify(planOfIngredients(plan)) },
        transaction,
      });
    }
    await sequelize.query('UPDATE practice SET settings = $schools::jsonb || settings', {
      bind: { schools: JSON.stringify(SCHOOLS) },
      transaction,
    });
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP INDEX batch_plans_ingredients; DROP TABLE shelf_items;', { transaction });
  },
};
