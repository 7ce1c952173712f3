import { pathToFileURL } from 'node:url';
import pg from 'pg';
import { SERVER_DIST } from './paths.mjs';

/** Databases that a test copies instead of migrating, and filling, one of its own: a cellar that nothing was written in, and the demo. */
export const TEMPLATES = { empty: 'hollow_bell_empty', demo: 'hollow_bell_demo' };

export const databaseUrl = (clusterUrl, name) => {
  const url = new URL(clusterUrl);
  url.pathname = `/${name}`;
  return url.toString();
};

async function onCluster(clusterUrl, act) {
  const client = new pg.Client({ connectionString: clusterUrl });
  await client.connect();
  try {
    return await act(client);
  } finally {
    await client.end();
  }
}

/** A copy of a template under a name of its own; nothing of it is shared. */
export async function copyOf(clusterUrl, template, name) {
  await onCluster(clusterUrl, (client) => client.query(`CREATE DATABASE ${name} TEMPLATE ${template}`));
  return databaseUrl(clusterUrl, name);
}

/**
 * Makes both templates, by the built program itself. One that stands already, from a run that was killed, may be half filled: it goes first.
 *
 * @param {(line: string) => void} say is told what was cleaned up
 */
export async function makeTemplates(clusterUrl, say) {
  const { startServer } = await import(pathToFileURL(SERVER_DIST).href);
  const fill = async (name, demo) => {
    const config = { host: '127.0.0.1', port: 0, databaseUrl: databaseUrl(clusterUrl, name), logLevel: 'silent', requestsPerMinute: 1000 };
    const running = await startServer(config, { demo });
    await running.stop();
  };
  await onCluster(clusterUrl, async (client) => {
    for (const name of Object.values(TEMPLATES)) {
      const { rows } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
      if (rows.length === 0) continue;
      say(`The template ${name} stood there from an earlier run; it is made anew.`);
      await client.query(`DROP DATABASE ${name} WITH (FORCE)`);
    }
    await client.query(`CREATE DATABASE ${TEMPLATES.empty}`);
  });
  await fill(TEMPLATES.empty, false);
  await copyOf(clusterUrl, TEMPLATES.empty, TEMPLATES.demo);
  await fill(TEMPLATES.demo, true);
}
