import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import type { ConfigInput } from './config.ts';
import { DEMO_SCHEMA, connect } from './database/connect.ts';
import { migrate } from './database/migrate.ts';
import { loadDemoCellar } from './features/demo/load.ts';

export interface Running {
  address: string;
  stop: () => Promise<void>;
}

/** How long requests on their way may take to end once the server is to stop. */
const GRACE_MS = 1500;

/** Migrates, fills the demo cellar, which is apart from the maker's own, if it is wanted, and listens. */
export async function startServer(input: ConfigInput, options: { demo: boolean }): Promise<Running> {
  const config = readConfig(input);
  const sequelize = connect(config.databaseUrl);
  const demo = connect(config.databaseUrl, DEMO_SCHEMA);
  try {
    await migrate(sequelize);
    await migrate(demo, DEMO_SCHEMA);
    const { app, cellar, demoCellar } = await buildApp({ config, sequelize, demo, now: () => Date.now(), opensDemo: options.demo });
    if (options.demo && demoCellar !== null) await loadDemoCellar(demoCellar);
    const address = await app.listen({ host: config.host, port: config.port });
    const stopping = new AbortController();
    const refolding = cellar.batches.refoldOlder(stopping.signal).then(
      ({ failed }) => (failed.length > 0 ? app.log.warn({ failed }, 'batches whose record cannot be folded') : undefined),
      (error: unknown) => app.log.warn({ error }, 'older ledgers are left for whoever meets them'),
    );
    return {
      address,
      stop: async () => {
        // Browsers open connections ahead that never carry a request; Node counts them as busy and would wait a minute for them.
        const cutOff = setTimeout(() => app.server.closeAllConnections(), GRACE_MS);
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
