import type { Migration } from '../migration.ts';

/** Who may come in from the house, and what was guessed at; a calendar's token is kept as its hash alone. */
export const doors: Migration = {
  name: '20261204-doors',
  up: async (queries, transaction) => {
    await queries.sequelize.query(
      `
      CREATE TABLE house_passphrase (
        id smallint PRIMARY KEY DEFAULT 1 CHECK (id = 1),
        hash text NOT NULL,
        set_at timestamptz NOT NULL
      );
      CREATE TABLE house_sessions (
        id uuid PRIMARY KEY,
        token_hash text NOT NULL UNIQUE,
        name text NOT NULL,
        role text NOT NULL CHECK (role IN ('maker', 'guest')),
        address text NOT NULL,
        since timestamptz NOT NULL,
        seen_at timestamptz NOT NULL
      );
      CREATE TABLE house_codes (
        code_hash text PRIMARY KEY,
        role text NOT NULL CHECK (role IN ('maker', 'guest')),
        until timestamptz NOT NULL
      );
      CREATE TABLE house_guesses (
        address text PRIMARY KEY,
        failed integer NOT NULL,
        last_at timestamptz NOT NULL
      );
      ALTER TABLE calendar_address ADD COLUMN seen_at timestamptz;
      UPDATE calendar_address SET token = encode(sha256(convert_to(token, 'UTF8')), 'hex');
      ALTER TABLE calendar_address RENAME COLUMN token TO token_hash;
      `,
      { transaction },
    );
  },
  down: async (queries, transaction) => {
    await queries.sequelize.query(
      `DROP TABLE house_passphrase, house_sessions, house_codes, house_guesses;
       DELETE FROM calendar_address;
       ALTER TABLE calendar_address RENAME COLUMN token_hash TO token;
       ALTER TABLE calendar_address DROP COLUMN seen_at;`,
      { transaction },
    );
  },
};
