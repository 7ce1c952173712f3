import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import type { ConfigInput } from './config.ts';
import { connect } from './database/connect.ts';
import { migratorOf } from './database/migrate.ts';
import { refoldOlder } from './features/batches/refold.ts';
import { loadDemoCellar } from './features/demo/load.ts';

export interface Running {
  address: string;
  stop: () => Promise<void>;
}

/** How long requests on their way may take to end once the server is to stop. */
const GRACE_MS = 1500;

/** Migrates, loads the demo cellar into an empty database if wanted, and listens. */
export async function startServer(input: ConfigInput, options: { demo: boolean }): Promise<Running> {
  const config = readConfig(input);
  const sequelize = connect(config.databaseUrl);
  try {
    await migratorOf(sequelize).up();
    const { app, cellar } = await buildApp({ config, sequelize, now: () => Date.now() });
    const { failed } = await refoldOlder(sequelize);
    if (failed.length > 0) app.log.warn({ failed }, 'batches whose record cannot be folded');
    if (options.demo) await loadDemoCellar(cellar);
    const address = await app.listen({ host: config.host, port: config.port });
    return {
      address,
      stop: async () => {
        // Browsers open connections ahead that never carry a request; Node counts them as busy and would wait a minute for them.
        const cutOff = setTimeout(() => app.server.closeAllConnections(), GRACE_MS);
        await app.close();
        clearTimeout(cutOff);
      },
    };
  } catch (error) {
    await sequelize.close();
    throw error;
  }
}
