import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { Plain, ROOT, SERVER_DIST, WEB_DIST } from './paths.mjs';

const SOURCES = ['core', 'tell', 'contract', 'server', 'web', 'package-lock.json'];
/** Made by builds and tests themselves, and nothing that is built from. */
const SKIPPED = new Set(['node_modules', 'dist', 'tsconfig.tsbuildinfo', 'components.d.ts']);

function addTo(hash, path) {
  const entries = readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1));
  for (const entry of entries) {
    if (SKIPPED.has(entry.name) || /\.test\.ts$/.test(entry.name)) continue;
    const full = join(path, entry.name);
    if (entry.isDirectory()) addTo(hash, full);
    else hash.update(full.slice(ROOT.length)).update(readFileSync(full));
  }
}

/** Beside each script and style its compressed twin, as small as it gets: made once, sent often. */
function compressAssets() {
  const folder = join(WEB_DIST, 'assets');
  for (const name of readdirSync(folder).filter((each) => /\.(js|css)$/.test(each)))
    writeFileSync(join(folder, `${name}.br`), brotliCompressSync(readFileSync(join(folder, name))));
}

/** Builds web and server unless what is built came from these very sources. */
export async function buildIfChanged() {
  const hash = createHash('sha256');
  for (const name of SOURCES) {
    const path = join(ROOT, name);
    if (name.endsWith('.json')) hash.update(readFileSync(path));
    else addTo(hash, path);
  }
  const digest = hash.digest('hex');
  const stamp = join(ROOT, 'server', 'dist', '.built-from');
  const isBuilt =
    existsSync(stamp) && readFileSync(stamp, 'utf8') === digest && existsSync(SERVER_DIST) && existsSync(join(WEB_DIST, 'index.html'));
  if (isBuilt) return;
  console.log('Building…');
  for (const workspace of ['web', 'server']) {
    const vite = join(ROOT, 'node_modules', 'vite', 'bin', 'vite.js');
    const building = spawn(process.execPath, [vite, 'build', workspace, '--logLevel', 'warn'], { stdio: 'inherit', cwd: ROOT });
    const [code] = await once(building, 'exit');
    if (code !== 0) throw new Plain(`the ${workspace} part could not be built; what it said stands above.`);
  }
  compressAssets();
  writeFileSync(stamp, digest);
}
