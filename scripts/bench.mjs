import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { installNpmPackages } from './setup/install.mjs';
import { ROOT, runMain } from './setup/paths.mjs';

/** Speed of the computations, as ratios against a plain loop in the same run. */
async function main() {
  installNpmPackages();
  process.exit(
    spawnSync(process.execPath, ['--import', 'tsx', join(ROOT, 'bench', 'core.ts')], { cwd: ROOT, stdio: 'inherit' }).status ?? 1,
  );
}

runMain(main);
