import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, postgresBinaries } from './setup/install.mjs';
import { DATA_FOLDER, Plain, runMain } from './setup/paths.mjs';
import { addressed } from './setup/postgresTools.mjs';

/** A newer cellar has tables that an older backup does not know: all of its own go, and nothing else's, in the transaction that brings the other. */
const OWN = [
  'batch_events',
  'batch_plans',
  'batches',
  'calendar_address',
  'float_devices',
  'float_readings',
  'migrations',
  'practice',
  'probe_readings',
  'recipes',
  'shelf_items',
];
const EMPTIED = `DO $$ BEGIN IF to_regclass('demo.batch_events') IS NOT NULL THEN DROP SCHEMA demo CASCADE; END IF; END $$; DROP TABLE IF EXISTS ${OWN.map((table) => `public.${table}`).join(', ')} CASCADE; DROP FUNCTION IF EXISTS public.keep_the_record CASCADE;`;

/** Reads a backup back, in place of what is there, all or nothing: npm run restore -- FILE. */
async function main() {
  const given = process.argv[2];
  if (given === undefined) throw new Plain('say which file: npm run restore -- FILE');
  const file = resolve(given);
  if (!existsSync(file)) throw new Plain(`there is no file ${file}.`);
  const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-restore-'));
  installDebianPackages({ database: true, browser: false });
  const cluster = process.env.DATABASE_URL === undefined ? await startCluster(process.env.HOLLOW_BELL_DATA ?? DATA_FOLDER) : null;
  try {
    const { dbname, env } = addressed(cluster?.url ?? process.env.DATABASE_URL);
    const run = (name, ...args) =>
      spawnSync(join(postgresBinaries(), name), args, { stdio: ['ignore', 'ignore', 'inherit'], env }).status === 0;
    const script = join(folder, 'cellar.sql');
    const listed = spawnSync(join(postgresBinaries(), 'pg_restore'), ['--list', file], { encoding: 'utf8' });
    if (listed.status !== 0 || !/ TABLE public batch_events /.test(listed.stdout))
      throw new Plain('that file is no backup of a cellar; nothing was changed.');
    if (!run('pg_restore', '--no-owner', `--file=${script}`, file))
      throw new Plain('that file is no backup of a cellar; nothing was changed.');
    if (
      !run(
        'psql',
        '--no-psqlrc',
        '--quiet',
        '--single-transaction',
        '--set=ON_ERROR_STOP=1',
        `--dbname=${dbname}`,
        `--command=${EMPTIED}`,
        `--file=${script}`,
      )
    )
      throw new Plain('the backup could not be read back; the cellar is as it was.');
    console.log(`The cellar is as it was in ${file}`);
  } finally {
    rmSync(folder, { recursive: true });
    await cluster?.stop();
  }
}

runMain(main);
