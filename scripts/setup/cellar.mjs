import { join } from 'node:path';
import { backupsIn } from './backups.mjs';
import { runningUrl, startCluster } from './cluster.mjs';
import { installDebianPackages } from './install.mjs';
import { BACKUPS, DATA_FOLDER } from './paths.mjs';

/**
 * Does something with the cellar that the environment names: of another database, or of this one's own, started if it does not run.
 *
 * @param {{mayRun: boolean}} how whether Hollow Bell may be running meanwhile
 * @param {(url: string, backups: ReturnType<typeof backupsIn>) => Promise<void>} act
 */
export async function withCellar({ mayRun }, act) {
  installDebianPackages({ database: true, browser: false });
  const data = process.env.HOLLOW_BELL_DATA ?? DATA_FOLDER;
  const there = process.env.DATABASE_URL ?? (mayRun ? runningUrl(data) : null);
  const cluster = there === null ? await startCluster(data) : null;
  const url = there ?? cluster.url;
  try {
    await act(url, backupsIn(join(data, BACKUPS), url));
  } finally {
    await cluster?.stop();
  }
}
