import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, postgresBinaries } from './setup/install.mjs';
import { DATA_FOLDER, Plain, runMain } from './setup/paths.mjs';

/** Reads a backup back, in place of what is there, all or nothing: npm run restore -- FILE. */
async function main() {
  const given = process.argv[2];
  if (given === undefined) throw new Plain('say which file: npm run restore -- FILE');
  const file = resolve(given);
  if (!existsSync(file)) throw new Plain(`there is no file ${file}.`);
  installDebianPackages({ database: true, browser: false });
  const cluster = process.env.DATABASE_URL === undefined ? await startCluster(process.env.HOLLOW_BELL_DATA ?? DATA_FOLDER) : null;
  try {
    const args = [
      '--clean',
      '--if-exists',
      '--no-owner',
      '--single-transaction',
      '--exit-on-error',
      `--dbname=${cluster?.url ?? process.env.DATABASE_URL}`,
      file,
    ];
    if (spawnSync(join(postgresBinaries(), 'pg_restore'), args, { stdio: 'inherit' }).status !== 0) {
      throw new Plain('the backup could not be read back; the cellar is as it was.');
    }
    console.log(`The cellar is as it was in ${file}`);
  } finally {
    await cluster?.stop();
  }
}

runMain(main);
