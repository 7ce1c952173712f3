import { spawnSync } from 'node:child_process';
import { closeSync, openSync, renameSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, postgresBinaries } from './setup/install.mjs';
import { DATA_FOLDER, Plain, runMain } from './setup/paths.mjs';
import { addressed } from './setup/postgresTools.mjs';

/** A cellar is nobody else's to read. */
const OWNER_ONLY = 0o600;

/** Writes the whole cellar into one file, beside it first, so that a failure leaves what was there: npm run backup [-- FILE]. Hollow Bell must be stopped, or DATABASE_URL given. */
async function main() {
  const file = resolve(process.argv[2] ?? `hollow-bell-${new Date().toISOString().slice(0, 10)}.backup`);
  const part = `${file}.part`;
  installDebianPackages({ database: true, browser: false });
  const cluster = process.env.DATABASE_URL === undefined ? await startCluster(process.env.HOLLOW_BELL_DATA ?? DATA_FOLDER) : null;
  try {
    const { dbname, env } = addressed(cluster?.url ?? process.env.DATABASE_URL);
    const tool = (name, ...args) =>
      spawnSync(join(postgresBinaries(), name), args, { stdio: ['ignore', 'ignore', 'inherit'], env }).status === 0;
    rmSync(part, { force: true });
    closeSync(openSync(part, 'wx', OWNER_ONLY));
    if (!tool('pg_dump', '--format=custom', '--no-owner', `--file=${part}`, `--dbname=${dbname}`))
      throw new Plain('the backup could not be written; what PostgreSQL said stands above. An earlier one of that name is as it was.');
    if (!tool('pg_restore', '--list', part))
      throw new Plain('what was written cannot be read back; an earlier backup of that name is as it was.');
    renameSync(part, file);
    console.log(`The cellar is written to ${file}`);
  } finally {
    rmSync(part, { force: true });
    await cluster?.stop();
  }
}

runMain(main);
