import { QueryTypes } from 'sequelize';
import type { Migration } from '../migration.ts';

/** What was fed, and when, before makers could choose it, as it stood when this was written. */
const FEEDING = { school: 'clock', ownHours: [24, 48, 72], setDoses: [], organic: { source: 'organic' }, ammonium: { source: 'dap' } };
/** mg of nitrogen in a gram of the two nutrients there were. */
const NUTRIENTS = {
  organic: { name: 'organic nutrient', ammonium: 0, amino: 40 },
  dap: { name: 'diammonium phosphate', ammonium: 212.1, amino: 0 },
};

interface OldDose {
  source: keyof typeof NUTRIENTS;
  massG: number;
}
interface BatchRow {
  id: string;
  ledger: { doses: OldDose[] };
}

function named(dose: OldDose): object {
  const { name, ammonium, amino } = NUTRIENTS[dose.source];
  return { ...dose, name, ammoniumNMg: dose.massG * ammonium, aminoNMg: dose.massG * amino };
}

/** Plans and the house with their school of feeding; doses in the ledgers with what they were; addresses to subscribe to. */
export const feeding: Migration = {
  name: '20261125-feeding',
  up: async (queries, transaction) => {
    const { sequelize } = queries;
    await sequelize.query(
      `
      CREATE TABLE calendar_address (
        id smallint PRIMARY KEY DEFAULT 1 CHECK (id = 1),
        token text NOT NULL,
        updated_at timestamptz NOT NULL
      );
      `,
      { transaction },
    );
    const bind = { feeding: JSON.stringify(FEEDING) };
    await sequelize.query('UPDATE practice SET settings = $feeding::jsonb || settings', { bind, transaction });
    await sequelize.query(`UPDATE batch_plans SET plan = jsonb_set(plan, '{practice}', $feeding::jsonb || (plan -> 'practice'))`, {
      bind,
      transaction,
    });
    const rows = await sequelize.query<BatchRow>(
      `SELECT id, ledger FROM batches WHERE jsonb_array_length(coalesce(ledger -> 'doses', '[]')) > 0`,
      { type: QueryTypes.SELECT, transaction },
    );
    for (const { id, ledger } of rows)
      await sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger, '{doses}', $doses::jsonb) WHERE id = $id`, {
        bind: { id, doses: JSON.stringify(ledger.doses.map(named)) },
        transaction,
      });
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP TABLE calendar_address;', { transaction });
  },
};
