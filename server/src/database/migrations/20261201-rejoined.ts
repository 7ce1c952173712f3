import type { Migration } from '../migration.ts';

const keepTheRecord = (fated: string): string => `
  CREATE OR REPLACE FUNCTION keep_the_record() RETURNS trigger LANGUAGE plpgsql AS $$
  BEGIN
    IF TG_OP = 'DELETE' AND EXISTS (SELECT 1 FROM batches WHERE id = OLD.batch_id AND (${fated})) THEN
      RETURN OLD;
    END IF;
    RAISE EXCEPTION 'batch_events is append-only: correct an event by an amendment';
  END $$;`;
const OVER = `fate = 'deleted' AND fated_at < now() - interval '24 hours'`;
const fateCheck = (fates: string): string => `
  ALTER TABLE batches DROP CONSTRAINT batches_fate_check;
  ALTER TABLE batches ADD CONSTRAINT batches_fate_check CHECK (fate IN (${fates}));`;

/** What was split off and taken back is in its parent's record again: its own goes at once. */
export const rejoined: Migration = {
  name: '20261201-rejoined',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `${fateCheck(`'kept', 'archived', 'deleted', 'rejoined'`)} ${keepTheRecord(`fate = 'rejoined' OR (${OVER})`)}`,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query(`${fateCheck(`'kept', 'archived', 'deleted'`)} ${keepTheRecord(OVER)}`, { transaction });
  },
};
