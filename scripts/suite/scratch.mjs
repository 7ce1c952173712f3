import { chmodSync, mkdtempSync, readdirSync, rmSync, writeFileSync, existsSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from '../setup/cluster.mjs';
import { makeTemplates } from '../setup/templates.mjs';

const PREFIX = 'hollow-bell-test-';
const HOLDER = 'holder';

/** What is written in it is gone with it; no power cut has to be borne. */
const FOR_A_RUN = ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off'];

const isRunning = (pid) => existsSync(`/proc/${pid}`);

/** Folders of runs that were killed before they could put them away. */
function leftBehind(where) {
  return readdirSync(where)
    .filter((name) => name.startsWith(PREFIX))
    .map((name) => join(where, name))
    .filter((folder) => {
      const holder = join(folder, HOLDER);
      return existsSync(holder) && !isRunning(readFileSync(holder, 'utf8'));
    });
}

/**
 * A folder for the reports of one run. What runs that were killed left beside it is put away, and told.
 *
 * @param {(line: string) => void} say
 * @param {string} [where] the machine's own folder for such things
 */
export function scratchFolder(say, where = tmpdir()) {
  for (const folder of leftBehind(where)) {
    rmSync(folder, { recursive: true, force: true });
    say(`Put away what a run that was killed had left in ${folder}.`);
  }
  const scratch = mkdtempSync(join(where, PREFIX));
  // The user that runs PostgreSQL must reach the folder, else the cluster moves to another.
  chmodSync(scratch, 0o755);
  writeFileSync(join(scratch, HOLDER), String(process.pid));
  return scratch;
}

/** A database server in that folder with the templates in it, for one run. */
export async function startScratchCluster(scratch, say) {
  const cluster = await startCluster(join(scratch, 'cluster'), { settings: FOR_A_RUN });
  await makeTemplates(cluster.url, say);
  return cluster;
}
