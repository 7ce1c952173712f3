import { resolve } from 'node:path';
import { writeBackup } from './setup/backups.mjs';
import { withCellar } from './setup/cellar.mjs';
import { runMain } from './setup/paths.mjs';

/** Writes the whole cellar into one file: npm run backup [-- FILE]. Hollow Bell may be running. */
async function main() {
  const file = resolve(process.argv[2] ?? `hollow-bell-${new Date().toISOString().slice(0, 10)}.backup`);
  await withCellar({ mayRun: true }, async (url) => {
    await writeBackup(url, file);
    console.log(`The cellar is written to ${file}`);
  });
}

runMain(main);
