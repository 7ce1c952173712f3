import type { Migration } from '../migration.ts';

/** What was fed, and when, before makers could choose it, as it stood when this was written. */
const FEEDING = { school: 'clock', ownHours: [24, 48, 72], setDoses: [], organic: { source: 'organic' }, ammonium: { source: 'dap' } };
/** Plans and the house with their school of feeding; addresses to subscribe to. */
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
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP TABLE calendar_address;', { transaction });
  },
};
