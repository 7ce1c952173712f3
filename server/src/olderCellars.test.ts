import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Batch, BatchList, Standing } from '@hollow-bell/contract';
import { LEDGER_VERSION, viewOf } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import stored from '@hollow-bell/core/stored' with { type: 'json' };
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect } from './database/connect.ts';
import { migrate, migratorOf } from './database/migrate.ts';
import { freshDatabase, happened, newBatch, pitched, plan, testApp } from './test/server.ts';

type App = Awaited<ReturnType<typeof testApp>>;

interface Sample {
  events: BatchEvent[];
  view: { sg: number; volumeL: number; abv: number };
  ledger: object;
  child: BatchEvent[] | null;
}

/** A batch as an earlier program left it: its entries without a version, its ledger in the shape of its day. */
async function leftBehind(
  { sequelize }: Pick<App, 'sequelize'>,
  name: string,
  events: readonly BatchEvent[],
  ledger: object,
): Promise<string> {
  const id = crypto.randomUUID();
  const ids = new Map(events.map((event) => [event.id, crypto.randomUUID()]));
  await sequelize.query(`INSERT INTO batches (id, name, created_at, last_seq, ledger) VALUES ($id, $name, now(), $seq, $ledger)`, {
    bind: { id, name, seq: events.length, ledger: JSON.stringify(ledger) },
  });
  await sequelize.query(`INSERT INTO batch_plans (batch_id, version, plan, written_at) VALUES ($id, 1, $plan, now())`, {
    bind: { id, plan: JSON.stringify(plan) },
  });
  for (const event of events) {
    const amends = event.kind === 'amendment' ? ids.get(event.payload.eventId) : null;
    const payload = event.kind === 'amendment' ? { ...event.payload, eventId: amends } : event.payload;
    await sequelize.query(
      `INSERT INTO batch_events (id, batch_id, seq, kind, happened_at, entered_at, payload, amends)
       VALUES ($event, $id, $seq, $kind, to_timestamp($at), to_timestamp($at), $payload, $amends)`,
      {
        bind: {
          event: ids.get(event.id),
          id,
          seq: event.seq,
          kind: event.kind,
          at: event.happenedAt / 1000,
          payload: JSON.stringify(payload),
          amends,
        },
      },
    );
  }
  return id;
}

const samples = Object.entries(stored as unknown as Record<string, Sample>);

describe('a cellar that earlier programs wrote', () => {
  let app: App;
  const left = new Map<string, string>();
  beforeAll(async () => {
    app = await testApp();
    for (const [name, { events, ledger, child }] of samples) {
      left.set(name, await leftBehind(app, name, events, ledger));
      if (child !== null) left.set(`${name}, child`, await leftBehind(app, `${name}, child`, child, ledger));
    }
  });
  afterAll(() => app.app.close());

  it.each(samples)('%s: is folded anew by the first who asks for it, and reads as it did', async (name, { view, ledger }) => {
    const id = left.get(name)!;
    const { body } = await app.call<Batch>('GET', `/batches/${id}`);
    expect(body.ledger.version).toBe(LEDGER_VERSION);
    const now = viewOf(body.ledger)!;
    expect(now.sg).toBeCloseTo(view.sg, 3);
    expect(now.volumeL).toBeCloseTo(view.volumeL, 3);
    expect(body.ledger).not.toEqual(ledger);
    expect(body.events.every(({ version }) => version === 1)).toBe(true);
  });

  it('is shown whole on Rounds and in the book before anything of it was folded, and once for all in the background', async () => {
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version', open = true`);
    const { body } = await app.call<{ standing: Standing[] }>('GET', '/rounds');
    expect(body.standing).toHaveLength(left.size);
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version'`);
    const book = (await app.call<BatchList>('GET', '/batches')).body.batches;
    expect(book.filter(({ sg }) => sg !== null)).toHaveLength(left.size);
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version'`);
    expect(await app.cellar.batches.refoldOlder()).toEqual({ folded: left.size, failed: [] });
    expect(await app.cellar.batches.refoldOlder()).toEqual({ folded: 0, failed: [] });
  });

  it('stops folding in the background when it is told to', async () => {
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version'`);
    expect(await app.cellar.batches.refoldOlder(AbortSignal.abort())).toEqual({ folded: 0, failed: [] });
    expect((await app.cellar.batches.refoldOlder()).folded).toBe(left.size);
  });
});

describe('plans that earlier programs wrote', () => {
  const planAfter = async (down: string, old: (plan: Batch['plan']) => object): Promise<Batch['plan']> => {
    const app = await testApp();
    const { id } = await newBatch(app, happened(...pitched));
    const whole = (await app.call<Batch>('GET', `/batches/${id}`)).body;
    const migrator = migratorOf(app.sequelize);
    await migrator.down({ to: down });
    await app.sequelize.query('UPDATE batch_plans SET plan = $plan', { bind: { plan: JSON.stringify(old(whole.plan)) } });
    await migrator.up();
    const found = await app.sequelize.query<{ plan: Batch['plan'] }>('SELECT plan FROM batch_plans', { type: QueryTypes.SELECT });
    await app.app.close();
    return found[0]!.plan;
  };

  it('are read as plans of ingredients where they knew honeys alone', async () => {
    const honeys = [{ name: 'linden', massG: 1500, moisture: 0.172, unfermentable: 0.032 }];
    const { must, practice } = await planAfter('20261124-the-must', ({ must: { waterL, yeastId, vessel, roomTempC } }) => ({
      must: { honeys, waterL, yeastId, vessel, roomTempC },
      practice: { units: 'us' },
    }));
    expect(must.ingredients).toMatchObject([{ name: 'linden', massG: 1500, family: 'honey', stage: 'before' }]);
    expect(practice).toMatchObject({ units: 'us', pitch: 'rehydrate' });
  });

  it('are read with the feeding they had where makers could not choose it', async () => {
    const { practice } = await planAfter('20261125-feeding', (whole) => ({ ...whole, practice: { units: 'us' } }));
    expect(practice).toMatchObject({ units: 'us', school: 'clock', setDoses: [], ammonium: { source: 'dap' } });
  });
});

/** One of the commands that keep a cellar. */
function run(name: string, file: string, url: string) {
  const path = fileURLToPath(new URL(`../../scripts/${name}.mjs`, import.meta.url));
  return spawnSync(process.execPath, [path, file], { env: { ...process.env, DATABASE_URL: url }, encoding: 'utf8' });
}

describe('a backup of a cellar that an earlier program wrote', () => {
  const script = (name: string, file: string, url: string): void => {
    const { status, stderr } = run(name, file, url);
    expect(status, stderr).toBe(0);
  };
  const schemas = [
    '20261123-first-light',
    '20261124-the-must',
    '20261125-feeding',
    '20261127-instruments',
    '20261128-temperatures-and-cures',
  ];

  it.each(schemas.map((schema, i) => [schema, samples[Math.min(i, samples.length - 1)]!] as const))(
    'opens, from the schema %s, over a full cellar of today',
    async (schema, [name, { events, ledger, view }]) => {
      const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-backup-'));
      const file = join(folder, 'cellar.backup');
      const [old, restored] = [await freshDatabase(), await freshDatabase()];
      const sequelize = connect(old.url);
      await migratorOf(sequelize).up({ to: schema });
      const id = await leftBehind({ sequelize }, name, events, ledger);
      await sequelize.close();
      const full = await testApp(restored);
      const other = await newBatch(full, happened(...pitched));
      await full.app.close();
      script('backup', file, old.url);
      script('restore', file, restored.url);
      const app = await testApp(restored);
      expect((await app.call('GET', `/batches/${other.id}`)).status).toBe(404);
      const { body } = await app.call<Batch>('GET', `/batches/${id}`);
      expect(body.events).toHaveLength(events.length);
      expect(viewOf(body.ledger)!.sg).toBeCloseTo(view.sg, 3);
      expect(viewOf(body.ledger)!.volumeL).toBeCloseTo(view.volumeL, 3);
      await app.app.close();
      rmSync(folder, { recursive: true });
    },
  );
});

describe('a backup that fails', () => {
  it('leaves the good one of the same name, and nothing half beside it; what is no backup changes nothing', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-backup-'));
    const file = join(folder, 'cellar.backup');
    const app = await testApp();
    const { id } = await newBatch(app, happened(...pitched));
    expect(run('backup', file, app.database.url).status).toBe(0);
    const good = readFileSync(file);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    const nowhere = new URL(app.database.url);
    nowhere.pathname = '/no_such_cellar';
    expect(run('backup', file, nowhere.toString()).status).toBe(1);
    expect(readFileSync(file).equals(good)).toBe(true);
    expect(readdirSync(folder)).toEqual(['cellar.backup']);
    const broken = join(folder, 'broken.backup');
    writeFileSync(broken, good.subarray(0, good.length / 2));
    expect(run('restore', broken, app.database.url).status).toBe(1);
    expect((await app.call('GET', `/batches/${id}`)).status).toBe(200);
    await app.app.close();
    rmSync(folder, { recursive: true });
  });
});

describe('a cellar that a newer program opened', () => {
  it('is left alone, with a sentence that says what to do', async () => {
    const app = await testApp();
    await app.sequelize.query(`INSERT INTO migrations (name) VALUES ('20991231-bees')`);
    await expect(migrate(app.sequelize)).rejects.toThrow(/newer Hollow Bell .*20991231-bees.*nothing was changed/);
    await app.app.close();
  });
});
