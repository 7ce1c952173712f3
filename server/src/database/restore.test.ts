import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Batch } from '@hollow-bell/contract';
import { viewOf } from '@hollow-bell/core/record';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { postgresTool, writeBackup } from '../../../scripts/setup/backups.mjs';
import { loadDemoCellar } from '../features/demo/load.ts';
import { leftBehind, samples } from '../test/leftBehind.ts';
import { freshDatabase, happened, newBatch, onCluster, pitched, testApp } from '../test/server.ts';
import { connect } from './connect.ts';
import { knownSchemas, migratorOf } from './migrate.ts';
import { restore } from '../main.ts';
import { restoreCellar } from './restore.ts';

const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-backup-'));
afterAll(() => rmSync(folder, { recursive: true }));

const pathOf = (name: string): string => fileURLToPath(new URL(`../../../scripts/${name}.mjs`, import.meta.url));
const envOf = (url: string) => ({ ...process.env, DATABASE_URL: url, HOLLOW_BELL_DATA: folder });
/** One of the commands that keep a cellar. */
const run = (name: string, file: string, url: string) =>
  spawnSync(process.execPath, [pathOf(name), file], { env: envOf(url), encoding: 'utf8' });
const script = (name: string, file: string, url: string): void => {
  const { status, stderr } = run(name, file, url);
  expect(status, stderr).toBe(0);
};

/** What the command hands to the program of a backup. */
async function rowsIn(file: string): Promise<string> {
  const rows = `${file}.sql`;
  const read = await postgresTool('pg_restore', ['--data-only', '--schema=public', '--no-owner', `--file=${rows}`, file]);
  expect(read.isDone, read.said).toBe(true);
  return rows;
}

/** Every row of every table of a cellar. */
async function rowsOf(url: string): Promise<Record<string, unknown[]>> {
  const sequelize = connect(url);
  const tables = await sequelize.query<{ name: string }>(
    `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' ORDER BY 1`,
    { type: QueryTypes.SELECT },
  );
  const all: Record<string, unknown[]> = {};
  for (const { name } of tables) {
    const rows = await sequelize.query<{ row: unknown }>(
      `SELECT to_jsonb(each) AS row FROM ${name} AS each ORDER BY to_jsonb(each)::text`,
      {
        type: QueryTypes.SELECT,
      },
    );
    all[name] = rows.map(({ row }) => row);
  }
  await sequelize.close();
  return all;
}

async function demoCellar() {
  const app = await testApp();
  await loadDemoCellar(app.cellar);
  await app.app.close();
  return app.database;
}

describe('the drill', () => {
  let url: string;
  let whole: Record<string, unknown[]>;
  const file = join(folder, 'drill.backup');
  beforeAll(async () => {
    ({ url } = await demoCellar());
    whole = await rowsOf(url);
    script('backup', file, url);
  });

  it('backed up, wiped and restored, every row is as it was', async () => {
    const wiped = connect(url);
    await wiped.query('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
    await wiped.close();
    script('restore', file, url);
    expect(await rowsOf(url)).toEqual(whole);
    expect(Object.values(whole).flat().length).toBeGreaterThan(200);
  });

  it('killed half-way, the cellar is as it was, and the next try brings it', async () => {
    const other = await freshDatabase();
    const full = await testApp(other);
    await newBatch(full, happened(...pitched));
    const before = await rowsOf(other.url);
    const child = spawn(process.execPath, [pathOf('restore'), file], { env: envOf(other.url), stdio: 'ignore' });
    const gone = new Promise((resolve) => child.once('exit', resolve));
    const isUnderWay = async (): Promise<boolean> => {
      const rows = await full.sequelize.query<{ there: boolean }>(`SELECT to_regclass('incoming.batches') IS NOT NULL AS there`, {
        type: QueryTypes.SELECT,
      });
      return rows[0]!.there;
    };
    await vi.waitUntil(isUnderWay, { timeout: 300_000, interval: 5 });
    child.kill('SIGKILL');
    await gone;
    await full.app.close();
    expect(await rowsOf(other.url)).toEqual(before);
    script('restore', file, other.url);
    expect(await rowsOf(other.url)).toEqual(whole);
  });

  it('what changed since it was written is not read back', async () => {
    const changed = join(folder, 'changed.backup');
    script('backup', changed, url);
    const bytes = readFileSync(changed);
    bytes[bytes.length - 40]! ^= 1;
    writeFileSync(changed, bytes);
    const { status, stderr } = run('restore', changed, url);
    expect([status, stderr]).toEqual([1, expect.stringMatching(/its sum differs from the one beside it.*nothing was changed/)]);
    expect(await rowsOf(url)).toEqual(whole);
  });
});

describe('a backup of a cellar that an earlier program wrote', () => {
  it.each(knownSchemas().map((schema, i) => [schema, samples[i % samples.length]!] as const))(
    'opens, from the schema %s, over a full cellar of today',
    async (schema, [name, { events, ledger, view }]) => {
      const file = join(folder, `${schema}.backup`);
      const [old, restored] = [await freshDatabase(), await freshDatabase()];
      const sequelize = connect(old.url);
      await migratorOf(sequelize).up({ to: schema });
      const id = await leftBehind({ sequelize }, name, events, ledger);
      await sequelize.close();
      const full = await testApp(restored);
      const other = await newBatch(full, happened(...pitched));
      await full.app.close();
      await writeBackup(old.url, file);
      await restore(restored.url, await rowsIn(file), () => Promise.resolve());
      const app = await testApp(restored);
      expect((await app.call('GET', `/batches/${other.id}`)).status).toBe(404);
      const { body } = await app.call<Batch>('GET', `/batches/${id}`);
      expect(body.events).toHaveLength(events.length);
      expect(viewOf(body.ledger)!.sg).toBeCloseTo(view.sg, 3);
      expect(viewOf(body.ledger)!.volumeL).toBeCloseTo(view.volumeL, 3);
      await app.app.close();
    },
  );
});

describe('a backup that fails', () => {
  it('leaves the good one of the same name, and nothing half beside it; what is no backup changes nothing', async () => {
    const own = mkdtempSync(join(folder, 'failing-'));
    const file = join(own, 'cellar.backup');
    const app = await testApp();
    const { id } = await newBatch(app, happened(...pitched));
    script('backup', file, app.database.url);
    const good = readFileSync(file);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    const nowhere = new URL(app.database.url);
    nowhere.pathname = '/no_such_cellar';
    expect(run('backup', file, nowhere.toString()).status).toBe(1);
    expect(readFileSync(file).equals(good)).toBe(true);
    expect(readdirSync(own)).toEqual(['cellar.backup', 'cellar.backup.sha256']);
    const broken = join(own, 'broken.backup');
    writeFileSync(broken, good.subarray(0, good.length / 2));
    expect(run('restore', broken, app.database.url).status).toBe(1);
    expect((await app.call('GET', `/batches/${id}`)).status).toBe(200);
    await app.app.close();
  });
});

describe('a hostile archive', () => {
  /** What a statement that ran would leave behind. */
  const mark = join(tmpdir(), `hollow-bell-mark-${process.pid}`);
  afterAll(() => rmSync(mark, { force: true }));
  const archive = (name: string, lines: string[]): string => {
    const file = join(folder, `${name}.sql`);
    writeFileSync(file, `${lines.join('\n')}\n`);
    return file;
  };
  const migrations = ['COPY public.migrations (name) FROM stdin;', '20261123-first-light', '\\.'];

  it('runs nothing, with a trigger, a default and a rule in it', async () => {
    const hostile = await demoCellar();
    const sequelize = connect(hostile.url);
    await sequelize.query(`
      CREATE TABLE ran (what text);
      CREATE FUNCTION evil() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        BEGIN EXECUTE 'COPY (SELECT 1) TO PROGRAM ''touch ${mark}'''; EXCEPTION WHEN OTHERS THEN NULL; END;
        UPDATE practice SET settings = '{}'; RETURN NEW; END $$;
      CREATE TRIGGER evil BEFORE INSERT ON batches FOR EACH ROW EXECUTE FUNCTION evil();
      ALTER TABLE recipes ADD COLUMN evil text DEFAULT current_user;`);
    await sequelize.close();
    const file = join(folder, 'hostile.backup');
    script('backup', file, hostile.url);
    const app = await testApp();
    const { id } = await newBatch(app, happened(...pitched));
    expect(run('restore', file, app.database.url).stderr).toMatch(/no backup of a cellar; nothing was changed/);
    expect((await app.call('GET', `/batches/${id}`)).status).toBe(200);
    expect(existsSync(mark)).toBe(false);
    const left = await app.sequelize.query(`SELECT 1 FROM pg_proc WHERE proname = 'evil'`, { type: QueryTypes.SELECT });
    expect(left).toEqual([]);
    await app.app.close();
  });

  it.each([
    ['a program to be run', [`COPY (SELECT 1) TO PROGRAM 'touch ${mark}';`]],
    ['a command of the console’s', [`\\! touch ${mark}`]],
    ['a statement that wipes', ['DROP TABLE batches CASCADE;']],
    ['a table that is none of its', ['COPY public.pg_authid (rolname) FROM stdin;', 'x', '\\.']],
    ['a column that is none of its', ['COPY public.batches (id, passwd) FROM stdin;', 'x\ty', '\\.']],
    ['a name that ends the statement', ["COPY public.batches (id\") FROM PROGRAM 'x'; --) FROM stdin;", 'x', '\\.']],
    ['a row that is none', ['COPY public.batches (id) FROM stdin;', 'not an id', '\\.']],
  ])('is refused with %s in it, and the cellar stays', async (name, lines) => {
    const app = await testApp();
    const { id } = await newBatch(app, happened(...pitched));
    const file = archive(name.replaceAll(' ', '-'), [...migrations, ...lines]);
    await expect(restoreCellar(app.database.url, file)).rejects.toThrow();
    expect((await app.call('GET', `/batches/${id}`)).status).toBe(200);
    expect(existsSync(mark)).toBe(false);
    await app.app.close();
  });

  it('of a newer program is told as such', async () => {
    const { url } = await freshDatabase();
    const file = archive('newer', [...migrations.slice(0, 2), '20991231-bees', '\\.']);
    await expect(restoreCellar(url, file)).rejects.toThrow(/newer Hollow Bell .*20991231-bees/);
  });

  it('would find no power over the machine in the program’s own role either', async () => {
    await expect(onCluster(`COPY (SELECT 1) TO PROGRAM 'touch ${mark}'`)).rejects.toThrow(/permission denied|must be/);
    expect(existsSync(mark)).toBe(false);
  });
});
