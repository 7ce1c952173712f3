import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migration.ts';
import { firstLight } from './migrations/20261123-first-light.ts';
import { theMust } from './migrations/20261124-the-must.ts';
import { feeding } from './migrations/20261125-feeding.ts';
import { watching } from './migrations/20261126-watching.ts';
import { instruments } from './migrations/20261127-instruments.ts';
import { temperaturesAndCures } from './migrations/20261128-temperatures-and-cures.ts';
import { versions } from './migrations/20261129-versions.ts';
import { fates } from './migrations/20261130-fates.ts';
import { rejoined } from './migrations/20261201-rejoined.ts';
import { probes } from './migrations/20261202-probes.ts';
import { cellar } from './migrations/20261203-cellar.ts';
import { doors } from './migrations/20261204-doors.ts';
import { pictures } from './migrations/20261205-pictures.ts';

/** Listed, not globbed, so that the built server carries them. Order is the order of their names. */
const MIGRATIONS: Migration[] = [
  firstLight,
  theMust,
  feeding,
  watching,
  instruments,
  temperaturesAndCures,
  versions,
  fates,
  rejoined,
  probes,
  cellar,
  doors,
  pictures,
];

const storageOf = (sequelize: Sequelize, schema?: string) =>
  new SequelizeStorage({ sequelize, tableName: 'migrations', ...(schema === undefined ? {} : { schema }) });

export function migratorOf(sequelize: Sequelize, schema?: string) {
  const queries = sequelize.getQueryInterface();
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => sequelize.transaction((transaction) => up(queries, transaction)),
      down: () => sequelize.transaction((transaction) => down(queries, transaction)),
    })),
    storage: storageOf(sequelize, schema),
    logger: undefined,
  });
}

/** Names of what this program would migrate; none where the database is empty or up to date. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  const executed = await storageOf(sequelize).executed();
  return executed.length === 0 ? [] : MIGRATIONS.map(({ name }) => name).filter((name) => !executed.includes(name));
}

/** Names of all schemas that this program knows, oldest first. */
export const knownSchemas = (): string[] => MIGRATIONS.map(({ name }) => name);

/**
 * Brings the database to this program's schema.
 * @throws Error with a sentence where a newer program has been at it: this one would misread what that one wrote
 */
export async function migrate(sequelize: Sequelize, schema?: string): Promise<void> {
  if (schema !== undefined) await sequelize.query(`CREATE SCHEMA IF NOT EXISTS ${schema}`);
  const known = new Set(MIGRATIONS.map(({ name }) => name));
  const newer = (await storageOf(sequelize, schema).executed()).filter((name) => !known.has(name));
  if (newer.length > 0)
    throw new Error(
      `This cellar was last opened by a newer Hollow Bell (its schema has “${newer.join('”, “')}”). Start that program; nothing was changed.`,
    );
  await migratorOf(sequelize, schema).up();
}
