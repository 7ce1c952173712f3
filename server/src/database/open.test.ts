import { describe, expect, it } from 'vitest';
import { QueryTypes } from 'sequelize';
import { startServer } from '../main.ts';
import { freshDatabase } from '../test/server.ts';
import { connect } from './connect.ts';
import { alone } from './open.ts';

const configOf = (databaseUrl: string) =>
  ({ host: '127.0.0.1', port: 0, databaseUrl, logLevel: 'silent', requestsPerMinute: 1000 }) as const;
const start = async (databaseUrl: string): Promise<void> => (await startServer(configOf(databaseUrl), { demo: false })).stop();

async function prepared(sql: string): Promise<string> {
  const { url } = await freshDatabase();
  const sequelize = connect(url);
  await sequelize.query(sql);
  await sequelize.close();
  return url;
}

describe('a database that cannot be used', () => {
  it.each<[string, () => Promise<string>, RegExp]>([
    ['that nobody answers for', () => Promise.resolve('postgresql://a:b@127.0.0.1:9/x'), /nothing answers there/],
    [
      'of another password',
      async () => {
        const url = new URL((await freshDatabase()).url);
        url.password = 'wrong';
        return url.toString();
      },
      /does not let that user in/,
    ],
    [
      'that does not exist',
      async () => {
        const url = new URL((await freshDatabase()).url);
        url.pathname = '/no_such_cellar';
        return url.toString();
      },
      /no database of that name/,
    ],
    ['of another program', () => prepared('CREATE TABLE orders (id int)'), /another program has its tables in it/],
    [
      'of another program that migrates too',
      () => prepared(`CREATE TABLE orders (id int); CREATE TABLE migrations (step int); INSERT INTO migrations VALUES (1)`),
      /another program has its tables in it/,
    ],
    [
      'where no table may be made',
      () => prepared('REVOKE CREATE ON SCHEMA public FROM pg_database_owner, PUBLIC'),
      /may not make tables there/,
    ],
  ])('%s is told in one sentence that names the setting', async (_, make, says) => {
    const failed = await start(await make()).then(
      () => null,
      (error: unknown) => error as Error,
    );
    expect(failed?.message).toMatch(says);
    expect(failed?.message).toMatch(/^DATABASE_URL names a database that cannot be used: [^\n]+[.?]$/);
  });
});

describe('two first starts at once', () => {
  it('migrate one after the other, and both serve', async () => {
    const { url } = await freshDatabase();
    await Promise.all([start(url), start(url), start(url)]);
    const sequelize = connect(url);
    const rows = await sequelize.query<{ name: string }>('SELECT name FROM migrations', { type: QueryTypes.SELECT });
    expect(new Set(rows.map(({ name }) => name)).size).toBe(rows.length);
    await sequelize.close();
  });

  it('wait for each other', async () => {
    const { url } = await freshDatabase();
    const order: string[] = [];
    let letGo: () => void = () => undefined;
    const first = alone(url, async () => {
      order.push('first in');
      await new Promise<void>((resolve) => (letGo = resolve));
      order.push('first out');
    });
    await expect.poll(() => order).toEqual(['first in']);
    const second = alone(url, () => Promise.resolve(order.push('second in')));
    letGo();
    await Promise.all([first, second]);
    expect(order).toEqual(['first in', 'first out', 'second in']);
  });
});
