import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, postgresBinaries } from './setup/install.mjs';
import { DATA_FOLDER, Plain, runMain } from './setup/paths.mjs';

/** Writes the whole cellar into one file: npm run backup [-- FILE]. Hollow Bell must be stopped, or DATABASE_URL given. */
async function main() {
  const file = resolve(process.argv[2] ?? `hollow-bell-${new Date().toISOString().slice(0, 10)}.backup`);
  installDebianPackages({ database: true, browser: false });
  const cluster = process.env.DATABASE_URL === undefined ? await startCluster(process.env.HOLLOW_BELL_DATA ?? DATA_FOLDER) : null;
  try {
    const done = spawnSync(
      join(postgresBinaries(), 'pg_dump'),
      ['--format=custom', '--no-owner', `--file=${file}`, cluster?.url ?? process.env.DATABASE_URL],
      { stdio: 'inherit' },
    );
    if (done.status !== 0) throw new Plain('the backup could not be written; what PostgreSQL said stands above.');
    console.log(`The cellar is written to ${file}`);
  } finally {
    await cluster?.stop();
  }
}

runMain(main);
