import type { Migration } from '../migration.ts';

/** Ledgers that know what makers found out about a stall. */
export const watching: Migration = {
  name: '20261126-watching',
  up: async (queries, transaction) => {
    await queries.sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger, '{findings}', '{}')`, { transaction });
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query(`UPDATE batches SET ledger = ledger - 'findings'`, { transaction });
  },
};
