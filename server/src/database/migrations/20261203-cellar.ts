import type { Migration } from '../migration.ts';

/** Which batches were ever bottled, which of them still ask for something, and plans that are kept without a batch. */
export const cellar: Migration = {
  name: '20261203-cellar',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `
      ALTER TABLE batches ADD COLUMN bottled boolean NOT NULL DEFAULT false, ADD COLUMN cellared boolean NOT NULL DEFAULT false;
      CREATE INDEX batches_bottled ON batches (created_at) WHERE bottled;
      CREATE INDEX batches_cellared ON batches (created_at) WHERE cellared;
      CREATE TABLE recipes (
        id uuid PRIMARY KEY,
        name text NOT NULL,
        tags jsonb NOT NULL,
        note text NOT NULL,
        plan jsonb NOT NULL,
        from_batch uuid,
        version integer NOT NULL,
        created_at timestamptz NOT NULL,
        updated_at timestamptz NOT NULL
      );
      `,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP TABLE recipes; ALTER TABLE batches DROP COLUMN bottled, DROP COLUMN cellared;', { transaction });
  },
};
