import { BODIES } from '@hollow-bell/contract/bodies';
import { bodySchema } from '@hollow-bell/contract/zod';
import { QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import type { ConfigInput } from './config.ts';
import { DEMO_SCHEMA, connect } from './database/connect.ts';
import { alone } from './database/open.ts';
import { restoreCellar } from './database/restore.ts';
import { migrate, pendingMigrations } from './database/migrate.ts';
import type { DatabaseState } from './http/errors.ts';
import type { BackupKeeper } from './features/backups/routes.ts';
import { listenInHouse, namesOf } from './features/doors/listen.ts';
import type { HouseOptions } from './features/doors/listen.ts';
import { NO_HOUSE } from './features/doors/routes.ts';
import type { House } from './features/doors/routes.ts';
import { doorStore } from './features/doors/store.ts';
import { loadDemoCellar } from './features/demo/load.ts';

export interface Running {
  address: string;
  /** Where the house is told to go. */
  house: House;
  stop: () => Promise<void>;
}

const NO_PASSPHRASE =
  'a cellar that the house can reach has a passphrase, and this one has none yet. Set it with “npm run passphrase”, or on House at the machine itself; then start again.';

/** How long requests on their way may take to end once the server is to stop. */
const GRACE_MS = 1500;

export interface Options {
  demo: boolean;
  /** What is done before the schema of a cellar that is there is changed. */
  beforeMigration?: (schemas: readonly string[]) => Promise<unknown>;
  /** Where this program itself keeps the backups; none where the database is somebody else's to keep. */
  backups?: BackupKeeper;
  /** Of a database that this program itself keeps running. */
  databaseState?: () => DatabaseState;
  /** Listen in the house. */
  house?: HouseOptions;
}

/** Brings both cellars to this program's schema. */
async function upToDate(databaseUrl: string, before: Options['beforeMigration']): Promise<void> {
  const own = connect(databaseUrl, undefined, true);
  const demo = connect(databaseUrl, DEMO_SCHEMA, true);
  try {
    const pending = await pendingMigrations(own);
    if (pending.length > 0) await before?.(pending);
    await migrate(own);
    await migrate(demo, DEMO_SCHEMA);
  } finally {
    await Promise.all([own.close(), demo.close()]);
  }
}

async function asked<T>(databaseUrl: string, ask: (sequelize: Sequelize) => Promise<T>): Promise<T> {
  const sequelize = connect(databaseUrl);
  try {
    return await ask(sequelize);
  } finally {
    await sequelize.close();
  }
}

/** Whether any program has made a cellar there. */
const hasCellar = (databaseUrl: string): Promise<boolean> =>
  asked(databaseUrl, async (sequelize) => {
    const rows = await sequelize.query<{ there: boolean }>(`SELECT to_regclass('public.batches') IS NOT NULL AS there`, {
      type: QueryTypes.SELECT,
    });
    return rows[0]?.there === true;
  });

/**
 * Puts a backup in place of the cellar that is there.
 *
 * @param file what `pg_restore --data-only` made of the backup
 * @param before is done first where there is a cellar
 * @returns rows by table
 * @throws Error with a sentence; then nothing was changed
 * @public for the command
 */
export const restore = (databaseUrl: string, file: string, before: () => Promise<unknown>): Promise<Map<string, number>> =>
  alone(databaseUrl, async () => {
    if (await hasCellar(databaseUrl)) await before();
    return restoreCellar(databaseUrl, file);
  });

/** Sets the passphrase from the console; every device signs in anew. */
export async function setPassphrase(databaseUrl: string, passphrase: string, before?: Options['beforeMigration']): Promise<void> {
  const schema = bodySchema(BODIES.setPassphrase).safeParse({ passphrase });
  if (!schema.success) throw new Error(schema.error.issues.map(({ message }) => message).join(' '));
  await alone(databaseUrl, () => upToDate(databaseUrl, before));
  await asked(databaseUrl, (sequelize) => doorStore(sequelize, () => Date.now()).setPassphrase(schema.data.passphrase));
}

/** Migrates, fills the demo cellar, which is apart from the maker's own, if it is wanted, and listens. */
export async function startServer(input: ConfigInput, options: Options): Promise<Running> {
  const config = readConfig(input);
  await alone(config.databaseUrl, () => upToDate(config.databaseUrl, options.beforeMigration));
  const sequelize = connect(config.databaseUrl);
  const demo = connect(config.databaseUrl, DEMO_SCHEMA);
  try {
    const { demo: opensDemo, backups, databaseState } = options;
    const names = options.house === undefined ? [] : namesOf(options.house);
    let house = NO_HOUSE;
    const { app, cellar, demoCellar } = await buildApp({
      config,
      sequelize,
      demo,
      now: () => Date.now(),
      opensDemo,
      houseNames: names,
      house: () => house,
      ...(backups === undefined ? {} : { backups }),
      ...(databaseState === undefined ? {} : { databaseState }),
    });
    if (options.demo && demoCellar !== null) await loadDemoCellar(demoCellar);
    const isGuarded = options.house !== undefined || config.behindProxy !== undefined;
    if (isGuarded && !(await cellar.doors.hasPassphrase())) throw new Error(NO_PASSPHRASE);
    const address = await app.listen({ host: config.host, port: config.port });
    const listening =
      options.house === undefined
        ? null
        : await listenInHouse((request, response) => app.routing(request, response), options.house, names).catch(async (error: unknown) => {
            await app.close();
            throw error;
          });
    if (listening !== null) ({ house } = listening);
    const stopping = new AbortController();
    const refolding = cellar.batches.refoldOlder(stopping.signal).then(
      ({ failed }) => (failed.length > 0 ? app.log.warn({ failed }, 'batches whose record cannot be folded') : undefined),
      (error: unknown) => app.log.warn({ error }, 'older ledgers are left for whoever meets them'),
    );
    return {
      address,
      house,
      stop: async () => {
        // Browsers open connections ahead that never carry a request; Node counts them as busy and would wait a minute for them.
        const cutOff = setTimeout(() => app.server.closeAllConnections(), GRACE_MS);
        await listening?.stop(GRACE_MS);
        stopping.abort();
        await refolding;
        await app.close();
        clearTimeout(cutOff);
      },
    };
  } catch (error) {
    await Promise.all([sequelize.close(), demo.close()]);
    throw error;
  }
}
