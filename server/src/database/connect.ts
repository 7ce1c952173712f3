/* The way to PostgreSQL, and its schema in migrations. */
import { Sequelize } from 'sequelize';

/** A pool to PostgreSQL. Nothing is connected before the first query; a lost server is found again by the next one. */
export function connect(databaseUrl: string): Sequelize {
  return new Sequelize(databaseUrl, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 8, min: 0, acquire: 5000, idle: 30_000 },
    dialectOptions: { connectionTimeoutMillis: 4000, statement_timeout: 15_000, application_name: 'hollow-bell' },
  });
}
