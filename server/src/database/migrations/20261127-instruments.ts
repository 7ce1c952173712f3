import type { Migration } from '../migration.ts';

/** Floats and what they send, as a record of its own. */
export const instruments: Migration = {
  name: '20261127-instruments',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `CREATE TABLE float_devices (
         id uuid PRIMARY KEY,
         name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
         batch_id uuid REFERENCES batches (id),
         token_hash text NOT NULL UNIQUE,
         last_seen_at timestamptz,
         kept_back integer NOT NULL DEFAULT 0,
         created_at timestamptz NOT NULL
       );
       CREATE TABLE float_readings (
         batch_id uuid NOT NULL REFERENCES batches (id),
         device_id uuid NOT NULL,
         slot bigint NOT NULL,
         taken_ms bigint NOT NULL,
         sg double precision NOT NULL,
         temp_c double precision,
         PRIMARY KEY (batch_id, device_id, slot)
       );`,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP TABLE float_readings; DROP TABLE float_devices;', { transaction });
  },
};
