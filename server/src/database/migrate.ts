import type { QueryInterface, Sequelize, Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { firstLight } from './migrations/20261123-first-light.ts';

export interface Migration {
  name: string;
  up: (queries: QueryInterface, transaction: Transaction) => Promise<void>;
  down: (queries: QueryInterface, transaction: Transaction) => Promise<void>;
}

/** Listed, not globbed, so that the built server carries them. Order is the order of their names. */
const MIGRATIONS: Migration[] = [firstLight];

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
