/* For the tests: an app on a database of its own. */
import { randomUUID } from 'node:crypto';
import type { Batch, BatchPlan, NewEvent } from '@hollow-bell/contract';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { EventContent } from '@hollow-bell/core/record';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import pg from 'pg';
import { TEMPLATES, databaseUrl } from '../../../scripts/setup/templates.mjs';
import { buildApp } from '../app.ts';
import { readConfig } from '../config.ts';
import { connect } from '../database/connect.ts';
import { migrate } from '../database/migrate.ts';
import { HOUR_MS } from '@hollow-bell/core/quantities';

const CLUSTER = process.env['HOLLOW_BELL_TEST_CLUSTER'];

/** Runs one statement against the cluster's own database, such as CREATE DATABASE. */
export async function onCluster(sql: string): Promise<void> {
  if (CLUSTER === undefined) throw new Error('the server tests want a cluster: run them by “npm test”');
  const client = new pg.Client({ connectionString: CLUSTER });
  await client.connect();
  await client.query(sql);
  await client.end();
}

const newName = (): string => `t_${randomUUID().replaceAll('-', '')}`;

/** A fresh, empty database. */
export async function freshDatabase(): Promise<{ name: string; url: string }> {
  const name = newName();
  await onCluster(`CREATE DATABASE ${name}`);
  return { name, url: databaseUrl(CLUSTER ?? '', name) };
}

/** One with this program's tables in it, and nothing else. */
async function migratedDatabase(): Promise<{ name: string; url: string }> {
  const name = newName();
  await onCluster(`CREATE DATABASE ${name} TEMPLATE ${TEMPLATES.empty}`);
  return { name, url: databaseUrl(CLUSTER ?? '', name) };
}

export const NOW = Date.UTC(2026, 5, 15, 12);

/** The app on a migrated database, of its own where none is given, at a fixed time or one that is passed in. */
export async function testApp(given?: { name: string; url: string }, now = (): number => NOW) {
  const database = given ?? (await migratedDatabase());
  const sequelize = connect(database.url);
  await migrate(sequelize);
  const config = readConfig({ host: '127.0.0.1', port: 0, databaseUrl: database.url, logLevel: 'silent', requestsPerMinute: 100_000 });
  const { app, cellar } = await buildApp({ config, sequelize, now });

  const call = async <T>(
    method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
    path: string,
    payload?: object,
    headers: Record<string, string> = {},
  ) => {
    const response = await app.inject({
      method,
      url: `/api${path}`,
      ...(payload === undefined ? {} : { payload }),
      headers: { host: 'localhost', ...headers },
    });
    return { status: response.statusCode, body: response.json<T>(), headers: response.headers };
  };
  return { app, cellar, sequelize, database, call };
}

export const plan: BatchPlan = {
  must: planOf([plannedHoney('linden', 1500)], 4, { vessel: { kind: 'jug', name: '5 L jug', capacityL: 5.3 }, roomTempC: 18 }),
  practice: DEFAULT_PRACTICE,
};

/** Events some hours before NOW, each with an id of its own. */
export const happened = (...rows: [hoursAgo: number, content: EventContent][]): NewEvent[] =>
  rows.map(([hoursAgo, content]) => ({ ...content, id: randomUUID(), happenedAt: NOW - hoursAgo * HOUR_MS }));

export const poured: [number, EventContent][] = [
  [
    100,
    { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
  ],
  [100, { kind: 'water', payload: { volumeL: 4 } }],
];
export const pitched: [number, EventContent][] = [
  ...poured,
  [99, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 3 } }],
];

type App = Awaited<ReturnType<typeof testApp>>;

export async function newBatch({ call }: Pick<App, 'call'>, events: NewEvent[] = []): Promise<Batch> {
  const { body } = await call<Batch>('POST', '/batches', { id: randomUUID(), name: 'Linden', plan });
  if (events.length > 0) await call('POST', `/batches/${body.id}/events`, { afterSeq: 0, events });
  return body;
}
