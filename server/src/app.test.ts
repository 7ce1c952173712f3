import { once } from 'node:events';
import { connect as connectTo } from 'node:net';
import type { ApiError, Batch, BatchList, Practice } from '@hollow-bell/contract';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { massImbalanceG } from '@hollow-bell/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { buildApp } from './app.ts';
import { readConfig } from './config.ts';
import { DEMO_SCHEMA, connect } from './database/connect.ts';
import { migrate, migratorOf } from './database/migrate.ts';
import { startServer } from './main.ts';
import { loadDemoCellar } from './features/demo/load.ts';
import { NOW, freshDatabase, happened, newBatch, onCluster, pitched, plan, testApp } from './test/server.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

describe('who may talk to the server', () => {
  it('no other name for this machine, no other page', async () => {
    expect((await app.call<ApiError>('GET', '/health', undefined, { host: 'evil.example' })).status).toBe(403);
    const foreign = await app.call<ApiError>(
      'POST',
      '/batches',
      { id: crypto.randomUUID(), name: 'X', plan },
      { origin: 'http://evil.example' },
    );
    expect(foreign.status).toBe(403);
    expect(foreign.body.code).toBe('not_allowed');
  });

  it('nobody from the network, unless a passphrase guarded it', () => {
    const base = { port: 1, databaseUrl: 'postgresql://a@127.0.0.1/b', logLevel: 'silent', requestsPerMinute: 10 } as const;
    expect(() => readConfig({ ...base, host: '0.0.0.0' })).toThrow(/passphrase/);
    expect(readConfig({ ...base, host: '127.0.0.1' }).host).toBe('127.0.0.1');
  });

  it('says its numbers and its policy in every answer', async () => {
    const { headers } = await app.call('GET', '/health');
    expect(headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
    expect(headers['content-security-policy']).toContain("default-src 'self'");
  });

  it('sends long answers compressed to whoever can read them', async () => {
    const response = await app.app.inject({
      method: 'GET',
      url: '/api/docs/json',
      headers: { host: 'localhost', 'accept-encoding': 'gzip' },
    });
    expect(response.headers['content-encoding']).toBe('gzip');
  });

  it('describes itself', async () => {
    const response = await app.app.inject({ method: 'GET', url: '/api/docs/json', headers: { host: 'localhost' } });
    expect(Object.keys(response.json<{ paths: object }>().paths)).toContain('/api/batches/{id}/events');
  });
});

describe('the house practice', () => {
  it('is nothing before the first start, then what was chosen', async () => {
    expect((await app.call<{ practice: Practice | null }>('GET', '/practice')).body.practice).toBeNull();
    await app.call('PUT', '/practice', { ...DEFAULT_PRACTICE, units: 'uk' });
    expect((await app.call<{ practice: Practice }>('GET', '/practice')).body.practice.units).toBe('uk');
    expect((await app.call<ApiError>('PUT', '/practice', { ...DEFAULT_PRACTICE, roomTempC: 200 })).status).toBe(400);
  });
});

describe('the demo cellar', () => {
  it('stands at several stations, in balance, and is loaded only once', async () => {
    const other = await testApp();
    expect(await loadDemoCellar(other.cellar)).toBe(true);
    expect(await loadDemoCellar(other.cellar)).toBe(false);
    const { batches } = await other.cellar.batches.list({});
    expect(batches.map(({ phase }) => phase).toSorted()).toEqual([
      'active',
      'awaiting confirmation',
      ...Array.from({ length: 7 }, () => 'bottled'),
      'empty',
      'empty',
      'finished',
      'finished',
      'lag',
      'mixed',
      'stabilized',
      'stabilized',
      'stabilized',
      'stabilized',
      'stuck',
      'suspect',
    ]);
    for (const { id, name } of batches) {
      const { ledger } = await other.cellar.batches.read(id);
      expect(Math.abs(massImbalanceG(ledger.liquid)), name).toBeLessThan(1e-3);
      expect(
        ledger.history.readings.filter((reading) => reading.verdict === 'unexplained'),
        name,
      ).toEqual([]);
    }
    await other.app.close();
  });

  it('is apart from the maker’s own, whatever is written in either', async () => {
    const database = await freshDatabase();
    const [sequelize, demo] = [connect(database.url), connect(database.url, DEMO_SCHEMA)];
    await migrate(sequelize);
    await migrate(demo, DEMO_SCHEMA);
    const config = readConfig({ host: '127.0.0.1', port: 0, databaseUrl: database.url, logLevel: 'silent', requestsPerMinute: 100_000 });
    const { app: both } = await buildApp({ config, sequelize, demo, now: () => NOW, opensDemo: true });
    const ask = async (method: 'GET' | 'POST' | 'PUT', url: string, payload?: object) => {
      const response = await both.inject({ method, url, headers: { host: 'localhost' }, ...(payload === undefined ? {} : { payload }) });
      return { status: response.statusCode, location: response.headers.location, batches: () => response.json<BatchList>().batches };
    };
    expect((await ask('POST', '/api/demo')).status).toBe(404);
    expect((await ask('POST', '/demo/api/demo')).status).toBe(200);
    expect((await ask('GET', '/')).location).toBe('/demo/');
    expect((await ask('GET', '/demo/api/batches')).batches().length).toBeGreaterThan(5);
    expect((await ask('GET', '/api/batches')).batches()).toEqual([]);
    await ask('PUT', '/api/practice', DEFAULT_PRACTICE);
    expect((await ask('GET', '/')).location, 'one’s own, once it is begun').toBeUndefined();
    await both.close();
  });
});

describe('the schema', () => {
  it('goes up, down and up again', async () => {
    const other = await testApp();
    const migrator = migratorOf(other.sequelize);
    await migrator.down({ to: 0 });
    expect(await migrator.executed()).toHaveLength(0);
    await migrator.up();
    expect((await newBatch(other, happened(...pitched))).lastSeq).toBe(0);
    await other.app.close();
  });
});

describe('a practice that cannot feed', () => {
  const dap = { source: 'dap' as const };
  it.each<[Partial<Practice>, RegExp]>([
    [{ ammonium: { source: 'hulls' } }, /yeast hulls holds no nitrogen/],
    [{ school: 'set', setDoses: [{ clockH: 2, share: null, parts: [{ product: dap, gPerL: 0.1 }] }] }, /ammonium goes in from hour 6/],
    [{ school: 'set', setDoses: [{ clockH: 24, share: null, parts: [{ product: dap, gPerL: 1.2 }] }] }, /the cap allows/],
    [{ ownHours: [-3] }, /^Own hours 1: It must lie between 0 and 720\.$/],
  ])('is refused with the rule it breaks, %#', async (over, why) => {
    const refused = await app.call<ApiError>('PUT', '/practice', { ...DEFAULT_PRACTICE, ...over });
    expect(refused.status).toBe(400);
    expect(refused.body.message).toMatch(why);
  });
});

describe('the server', () => {
  it('stops although a browser holds a connection open that it never used', async () => {
    const other = await testApp();
    const running = await startServer(
      { host: '127.0.0.1', port: 0, databaseUrl: other.database.url, logLevel: 'silent', requestsPerMinute: 1000 },
      { demo: false },
    );
    const unused = connectTo({ host: '127.0.0.1', port: Number(new URL(running.address).port) });
    await once(unused, 'connect');
    const closed = once(unused, 'close');
    await running.stop();
    await closed;
    expect(unused.destroyed).toBe(true);
    await other.app.close();
    // Node by itself would wait a minute for it.
  }, 45_000);
});

describe('a database that does not answer', () => {
  it('is given up within seconds, and answers again by itself', async () => {
    const other = await testApp();
    const patient = connect(other.database.url, undefined, true);
    const holder = await patient.transaction();
    await patient.query('LOCK TABLE batches IN ACCESS EXCLUSIVE MODE', { transaction: holder });
    const { status, body } = await other.call<ApiError>('GET', '/batches');
    expect([status, body.code]).toEqual([503, expect.stringMatching(/^(?:busy|database_away)$/)]);
    await holder.rollback();
    await patient.close();
    expect((await other.call('GET', '/batches')).status).toBe(200);
    await other.app.close();
  });
});

describe('a database that goes away', () => {
  it('is answered with 503 and a sentence, and found again by itself', async () => {
    const other = await testApp();
    const { id } = await newBatch(other, happened(...pitched));
    const events = happened([1, { kind: 'reading', payload: { sg: 1.06 } }]);
    await onCluster(`ALTER DATABASE ${other.database.name} ALLOW_CONNECTIONS false`);
    await onCluster(`SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${other.database.name}'`);
    const away = await other.call<ApiError>('POST', `/batches/${id}/events`, { afterSeq: 3, events });
    expect(away.status).toBe(503);
    expect(away.body.code).toBe('database_away');
    expect(away.headers['retry-after']).toBe('2');
    await onCluster(`ALTER DATABASE ${other.database.name} ALLOW_CONNECTIONS true`);
    expect((await other.call('POST', `/batches/${id}/events`, { afterSeq: 3, events })).status).toBe(200);
    expect((await other.call<Batch>('GET', `/batches/${id}`)).body.events).toHaveLength(4);
    await other.app.close();
  });
});
