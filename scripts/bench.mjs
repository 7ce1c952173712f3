import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, installNpmPackages } from './setup/install.mjs';
import { ROOT, runMain } from './setup/paths.mjs';

/** Speed of the computations and of the record, as ratios against something in the same run. */
async function main() {
  installDebianPackages({ database: true, browser: true });
  installNpmPackages();
  const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-bench-'));
  const cluster = await startCluster(folder);
  const bench = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'bench', 'core.ts')], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, HOLLOW_BELL_BENCH_DATABASE: cluster.url, HOLLOW_BELL_TEST_CLUSTER: cluster.url },
  });
  const [code] = await once(bench, 'exit');
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
  process.exit(code ?? 1);
}

runMain(main);
