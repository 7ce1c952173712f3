import type { Migration } from '../migration.ts';

/** Practice, batches with their plans in versions, and the append-only record of events. */
export const firstLight: Migration = {
  name: '20261123-first-light',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `
      CREATE TABLE practice (
        id smallint PRIMARY KEY DEFAULT 1 CHECK (id = 1),
        settings jsonb NOT NULL,
        updated_at timestamptz NOT NULL
      );
      CREATE TABLE batches (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
        created_at timestamptz NOT NULL,
        last_seq integer NOT NULL DEFAULT 0,
        plan_version integer NOT NULL DEFAULT 1,
        ledger jsonb NOT NULL,
        open boolean NOT NULL DEFAULT true
      );
      CREATE INDEX batches_open ON batches (open, created_at);
      CREATE TABLE batch_plans (
        batch_id uuid NOT NULL REFERENCES batches (id),
        version integer NOT NULL,
        plan jsonb NOT NULL,
        written_at timestamptz NOT NULL,
        PRIMARY KEY (batch_id, version)
      );
      CREATE TABLE batch_events (
        id uuid PRIMARY KEY,
        batch_id uuid NOT NULL REFERENCES batches (id),
        seq integer NOT NULL CHECK (seq > 0),
        kind text NOT NULL,
        happened_at timestamptz NOT NULL,
        entered_at timestamptz NOT NULL,
        payload jsonb NOT NULL,
        amends uuid REFERENCES batch_events (id),
        UNIQUE (batch_id, seq)
      );
      CREATE FUNCTION keep_the_record() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'batch_events is append-only: correct an event by an amendment';
      END $$;
      CREATE TRIGGER batch_events_append_only BEFORE UPDATE OR DELETE ON batch_events
        FOR EACH ROW EXECUTE FUNCTION keep_the_record();
      `,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query(
      'DROP TABLE batch_events; DROP FUNCTION keep_the_record; DROP TABLE batch_plans; DROP TABLE batches; DROP TABLE practice;',
      { transaction },
    );
  },
};
