import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migration.ts';
import { firstLight } from './migrations/20261123-first-light.ts';
import { theMust } from './migrations/20261124-the-must.ts';
import { feeding } from './migrations/20261125-feeding.ts';
import { watching } from './migrations/20261126-watching.ts';
import { instruments } from './migrations/20261127-instruments.ts';
import { temperaturesAndCures } from './migrations/20261128-temperatures-and-cures.ts';

/** Listed, not globbed, so that the built server carries them. Order is the order of their names. */
const MIGRATIONS: Migration[] = [firstLight, theMust, feeding, watching, instruments, temperaturesAndCures];

export function migratorOf(sequelize: Sequelize) {
  const queries = sequelize.getQueryInterface();
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => sequelize.transaction((transaction) => up(queries, transaction)),
      down: () => sequelize.transaction((transaction) => down(queries, transaction)),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}
