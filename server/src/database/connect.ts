/* The way to PostgreSQL, and its schema in migrations. */
import pg from 'pg';
import { Sequelize } from 'sequelize';
import type { Transaction } from 'sequelize';

/** Where the made-up cellar lives, beside the maker's own and apart from it. */
export const DEMO_SCHEMA = 'demo';

/**
 * A client whose server is gone in the very moment in which it is made says so while nobody listens yet; that must not end the program.
 * Who asks something of it hears of it all the same.
 */
export class CalmClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on('error', () => undefined);
  }
}
const CALM = Object.create(pg, { Client: { value: CalmClient } }) as object;

/** The database itself gives up a statement after so long … */
const STATEMENT_MS = 15_000;
/** … and one that does not answer at all, stopped or cut off, is given up here sooner than a browser gives up asking. */
const QUERY_MS = 10_000;
const DEADLINES = {
  statement_timeout: STATEMENT_MS,
  query_timeout: QUERY_MS,
  idle_in_transaction_session_timeout: STATEMENT_MS,
};

/**
 * A pool to PostgreSQL. Nothing is connected before the first query; a lost server is found again by the next one.
 * @param schema that every statement speaks to; the database's own where none is given
 * @param isPatient for what may take long and nobody waits for: migrations, a restore
 */
export function connect(databaseUrl: string, schema?: string, isPatient = false): Sequelize {
  return new Sequelize(databaseUrl, {
    dialect: 'postgres',
    dialectModule: CALM,
    logging: false,
    pool: { max: 8, min: 0, acquire: 5000, idle: 30_000 },
    dialectOptions: {
      connectionTimeoutMillis: 4000,
      ...(isPatient ? {} : DEADLINES),
      application_name: 'hollow-bell',
      ...(schema === undefined ? {} : { options: `-c search_path=${schema}` }),
    },
  });
}

/** Acts in the transaction that is given, or in one of its own. */
export const inTransaction = <T>(
  sequelize: Sequelize,
  within: Transaction | undefined,
  act: (transaction: Transaction) => Promise<T>,
): Promise<T> => (within === undefined ? sequelize.transaction(act) : act(within));
