/* The way to PostgreSQL, and its schema in migrations. */
import { Sequelize } from 'sequelize';

/** Where the made-up cellar lives, beside the maker's own and apart from it. */
export const DEMO_SCHEMA = 'demo';

/**
 * A pool to PostgreSQL. Nothing is connected before the first query; a lost server is found again by the next one.
 * @param schema that every statement speaks to; the database's own where none is given
 */
export function connect(databaseUrl: string, schema?: string): Sequelize {
  return new Sequelize(databaseUrl, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 8, min: 0, acquire: 5000, idle: 30_000 },
    dialectOptions: {
      connectionTimeoutMillis: 4000,
      statement_timeout: 15_000,
      application_name: 'hollow-bell',
      ...(schema === undefined ? {} : { options: `-c search_path=${schema}` }),
    },
  });
}
