import type { Migration } from '../migration.ts';

/** What a probe in the middle of a heated mead sends, a minute at a time. */
export const probes: Migration = {
  name: '20261202-probes',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `CREATE TABLE probe_readings (
        batch_id uuid NOT NULL REFERENCES batches (id) ON DELETE CASCADE,
        device_id uuid NOT NULL,
        slot bigint NOT NULL,
        taken_ms bigint NOT NULL,
        core_c double precision NOT NULL,
        bath_c double precision,
        PRIMARY KEY (batch_id, device_id, slot)
      )`,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query('DROP TABLE probe_readings', { transaction });
  },
};
