import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { isAsWritten, postgresTool } from './setup/backups.mjs';
import { buildIfChanged } from './setup/build.mjs';
import { withCellar } from './setup/cellar.mjs';
import { installNpmPackages } from './setup/install.mjs';
import { Plain, SERVER_DIST, runMain } from './setup/paths.mjs';

/** Reads a backup back, in place of what is there, all or nothing: npm run restore -- FILE. What is there is backed up first. */
async function main() {
  const given = process.argv[2];
  if (given === undefined) throw new Plain('say which file: npm run restore -- FILE');
  const file = resolve(given);
  if (!existsSync(file)) throw new Plain(`there is no file ${file}.`);
  if ((await isAsWritten(file)) === false)
    throw new Plain(`${file} is not as it was written: its sum differs from the one beside it. Take another backup; nothing was changed.`);
  installNpmPackages();
  await buildIfChanged();
  const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-restore-'));
  try {
    await withCellar({ mayRun: false }, async (url, backups) => {
      const rows = join(folder, 'rows.sql');
      const read = await postgresTool('pg_restore', ['--data-only', '--schema=public', '--no-owner', `--file=${rows}`, file]);
      if (!read.isDone) throw new Plain('that file is no backup of a cellar; nothing was changed.');
      const { restore } = await import(pathToFileURL(SERVER_DIST).href);
      const keepFirst = async () => console.log(`What was there is kept in ${await backups.write('before-restore')}`);
      const counts = await restore(url, rows, keepFirst).catch((error) => {
        if (error instanceof Plain) throw error;
        const isSaid = /nothing was changed|DATABASE_URL/.test(error.message);
        throw new Plain(isSaid ? error.message : `the backup could not be read back: ${error.message}. The cellar is as it was.`);
      });
      console.log(`The cellar is as it was in ${file}: ${counts.get('batches')} batches, ${counts.get('batch_events')} entries.`);
    });
  } finally {
    rmSync(folder, { recursive: true });
  }
}

runMain(main);
