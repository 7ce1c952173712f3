import type { Migration } from '../migration.ts';

/** Pictures on entries. One that is taken off stays, so that it can be put on again. */
export const pictures: Migration = {
  name: '20261205-pictures',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `CREATE TABLE entry_pictures (
        id uuid PRIMARY KEY,
        batch_id uuid NOT NULL REFERENCES batches (id) ON DELETE CASCADE,
        entry_id uuid NOT NULL REFERENCES batch_events (id) ON DELETE CASCADE,
        jpeg bytea NOT NULL,
        made_at timestamptz NOT NULL,
        off boolean NOT NULL DEFAULT false
      );
      CREATE INDEX entry_pictures_batch ON entry_pictures (batch_id);`,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP TABLE entry_pictures', { transaction });
  },
};
