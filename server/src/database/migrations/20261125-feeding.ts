import { QueryTypes } from 'sequelize';
import type { Migration } from '../migration.ts';

/** What was fed, and when, before makers could choose it, as it stood when this was written. */
const FEEDING = { school: 'clock', ownHours: [24, 48, 72], setDoses: [], organic: { source: 'organic' }, ammonium: { source: 'dap' } };
/** Nitrogen in the two nutrients there were, by mass. */
const NUTRIENTS = {
  organic: { name: 'organic nutrient', ammoniumN: 0, aminoN: 0.04 },
  dap: { name: 'diammonium phosphate', ammoniumN: 0.2121, aminoN: 0 },
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
  const { name, ammoniumN, aminoN } = NUTRIENTS[dose.source];
  return { ...dose, name, ammoniumNMg: dose.massG * ammoniumN * 1000, aminoNMg: dose.massG * aminoN * 1000 };
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
    await sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger, '{bases}', '[]')`, { transaction });
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
