/* A whole server on a database of its own, in this process. */
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { startServer } from '../server/src/main.ts';
import type { Running } from '../server/src/main.ts';

export async function freshDatabase(clusterUrl: string): Promise<string> {
  const name = `c_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: clusterUrl });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const url = new URL(clusterUrl);
  url.pathname = `/${name}`;
  return url.toString();
}

export async function serverOn(databaseUrl: string): Promise<Running> {
  return startServer({ host: '127.0.0.1', port: 0, databaseUrl, logLevel: 'silent', requestsPerMinute: 100_000_000 }, { demo: false });
}
