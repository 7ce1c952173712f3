import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfChanged } from './setup/build.mjs';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, installNpmPackages } from './setup/install.mjs';
import { ROOT, runMain } from './setup/paths.mjs';

/** What a bad year would do to the program, counted; on this machine alone, on databases of its own. */
async function main() {
  installDebianPackages({ database: true, browser: false });
  installNpmPackages();
  await buildIfChanged();
  const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-campaign-'));
  chmodSync(folder, 0o755);
  const cluster = await startCluster(join(folder, 'cluster'));
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'campaign', 'main.ts'), ...process.argv.slice(2)], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, HOLLOW_BELL_TEST_CLUSTER: cluster.url },
  });
  const [code] = await once(child, 'exit');
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
  process.exit(code ?? 1);
}

runMain(main);
