import type { Migration } from '../migration.ts';

/** A batch may be put away, or deleted with a day's grace; only then does the record let its entries go. */
export const fates: Migration = {
  name: '20261130-fates',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `
      ALTER TABLE batches ADD COLUMN fate text NOT NULL DEFAULT 'kept' CHECK (fate IN ('kept', 'archived', 'deleted')),
        ADD COLUMN fated_at timestamptz;
      CREATE INDEX batches_deleted ON batches (fated_at) WHERE fate = 'deleted';
      CREATE OR REPLACE FUNCTION keep_the_record() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' AND EXISTS (
          SELECT 1 FROM batches WHERE id = OLD.batch_id AND fate = 'deleted' AND fated_at < now() - interval '24 hours'
        ) THEN
          RETURN OLD;
        END IF;
        RAISE EXCEPTION 'batch_events is append-only: correct an event by an amendment';
      END $$;
      `,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query(
      `
      CREATE OR REPLACE FUNCTION keep_the_record() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'batch_events is append-only: correct an event by an amendment';
      END $$;
      ALTER TABLE batches DROP COLUMN fate, DROP COLUMN fated_at;
      `,
      { transaction },
    );
  },
};
