import type { Migration } from '../migration.ts';

/** Entries say in which shape they were written; those on record are of the first. */
export const versions: Migration = {
  name: '20261129-versions',
  up: async (queries, transaction) => {
    await queries.sequelize.query('ALTER TABLE batch_events ADD COLUMN version smallint NOT NULL DEFAULT 1 CHECK (version > 0)', {
      transaction,
    });
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('ALTER TABLE batch_events DROP COLUMN version', { transaction });
  },
};
