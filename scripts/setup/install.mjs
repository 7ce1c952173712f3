import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain, ROOT } from './paths.mjs';

/** Programs wanted, with the Debian package that brings each. */
const POSTGRESQL = { debian: 'postgresql', found: () => postgresBinaries() !== null };
const CHROMIUM = { debian: 'chromium-headless-shell', found: () => existsSync('/usr/bin/chromium-headless-shell') };

/** Folder of PostgreSQL's newest programs on this machine, or null. PG_BIN overrides. */
export function postgresBinaries() {
  if (process.env.PG_BIN !== undefined) return process.env.PG_BIN;
  const root = '/usr/lib/postgresql';
  if (!existsSync(root)) return null;
  const versions = readdirSync(root).filter((name) => existsSync(join(root, name, 'bin', 'initdb')));
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest === undefined ? null : join(root, newest, 'bin');
}

function run(command, args, env = process.env) {
  return spawnSync(command, args, { stdio: 'inherit', cwd: ROOT, env }).status === 0;
}

/** Installs what is missing of PostgreSQL and, where `browser`, Chromium; says the command where it may not. */
export function installDebianPackages({ database, browser }) {
  const wanted = [...(database ? [POSTGRESQL] : []), ...(browser ? [CHROMIUM] : [])].filter((item) => !item.found());
  if (wanted.length === 0) return;
  const packages = wanted.map((item) => item.debian);
  const byHand = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid?.() !== 0)
    throw new Plain(`these Debian packages are missing: ${packages.join(', ')}. Run this, then start again:\n  sudo sh -c '${byHand}'`);
  console.log(`Installing Debian packages: ${packages.join(', ')}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], env);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], env);
  if (wanted.some((item) => !item.found()))
    throw new Plain(`the Debian packages could not be installed. Run this by hand and look at what it says:\n  ${byHand}`);
}

/** Installs npm packages when the lock file is not the one they were installed from. */
export function installNpmPackages() {
  const stamp = join(ROOT, 'node_modules', '.hollow-bell-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing npm packages (two minutes the first time)…');
  if (!run('npm', ['ci', '--engine-strict', '--no-audit', '--no-fund', '--loglevel=error']))
    throw new Plain('npm could not install the packages; what it said stands above.');
  writeFileSync(stamp, lock);
}
