import type { Migration } from '../migration.ts';

/** Ledgers that know what was tried against a stall, and keep every temperature: of those on record the last, and those beside a gravity. */
export const temperaturesAndCures: Migration = {
  name: '20261128-temperatures-and-cures',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `UPDATE batches SET ledger = (ledger - 'tempC') || jsonb_build_object('cures', '[]'::jsonb, 'temps', COALESCE(
         (SELECT jsonb_agg(jsonb_build_object('at', at, 'tempC', temp_c) ORDER BY at)
            FROM (SELECT (reading->>'at')::numeric AS at, (reading->>'tempC')::numeric AS temp_c
                    FROM jsonb_array_elements(ledger->'readings') AS reading WHERE reading->>'tempC' IS NOT NULL
                  UNION
                  SELECT (ledger->'tempC'->>'at')::numeric, (ledger->'tempC'->>'value')::numeric
                   WHERE ledger->'tempC'->>'at' IS NOT NULL) AS known), '[]'::jsonb))`,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query(
      `UPDATE batches SET ledger = (ledger - '{temps,cures}'::text[]) || jsonb_build_object('tempC',
         CASE WHEN ledger->'temps'->-1 IS NULL THEN 'null'::jsonb
              ELSE jsonb_build_object('at', ledger->'temps'->-1->'at', 'value', ledger->'temps'->-1->'tempC') END)`,
      { transaction },
    );
  },
};
