import { spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createServer } from 'node:net';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { ROOT } from '../setup/paths.mjs';

const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-cluster-'));
// The user that runs PostgreSQL must reach the folder, else the cluster moves to another.
chmodSync(scratch, 0o755);
const holders = [];
afterAll(async () => {
  await Promise.all(holders.map(killed));
  rmSync(scratch, { recursive: true, force: true });
});

const CLUSTER = join(ROOT, 'scripts', 'setup', 'cluster.mjs');
const isRunning = (pid) => existsSync(`/proc/${pid}`);

/** A process of its own that starts the cluster of a folder and holds it; resolves with its words. */
function holder(folder) {
  const program = `const { startCluster } = await import(${JSON.stringify(CLUSTER)});
    try { const c = await startCluster(${JSON.stringify(folder)}); console.log('up ' + c.pid); setInterval(() => {}, 1e6); }
    catch (error) { console.log('refused ' + error.message); process.exit(1); }`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', program], { stdio: ['ignore', 'pipe', 'inherit'] });
  holders.push({ child });
  return new Promise((resolve) => {
    child.stdout.once('data', (chunk) => {
      const said = chunk.toString().trim();
      resolve({ child, said, pid: Number(/^up (\d+)/.exec(said)?.[1]) });
    });
  });
}

const killed = ({ child }) =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', resolve);
    child.kill('SIGKILL');
  });

describe('the private cluster', () => {
  it(
    'ends with its starter however that ends, and comes back after a power cut and a half-made beginning',
    { timeout: 60_000 },
    async () => {
      const folder = join(scratch, 'one');
      mkdirSync(join(folder, 'new-abandoned'), { recursive: true });
      const first = await holder(folder);
      expect(first.said).toMatch(/^up /);
      expect(readdirSync(folder).filter((name) => name.startsWith('new-'))).toEqual([]);

      const second = await holder(folder);
      expect(second.said).toMatch(/^refused another Hollow Bell is already running from this folder/);

      await killed(first);
      await vi.waitFor(() => expect(isRunning(first.pid)).toBe(false), { timeout: 15_000 });

      writeFileSync(join(folder, 'data', 'postmaster.pid'), `${process.pid}\n${join(folder, 'data')}\n`);
      const third = await holder(folder);
      expect(third.said).toMatch(/^up /);
      await killed(third);
      await vi.waitFor(() => expect(isRunning(third.pid)).toBe(false), { timeout: 15_000 });
    },
  );

  it('says which PostgreSQL wrote a cellar that the installed one cannot read', { timeout: 30_000 }, async () => {
    const folder = join(scratch, 'one');
    const version = join(folder, 'data', 'PG_VERSION');
    const kept = readFileSync(version, 'utf8');
    writeFileSync(version, '9\n');
    expect((await holder(folder)).said).toMatch(/^refused this cellar was written by PostgreSQL 9/);
    writeFileSync(version, kept);
  });
});

describe('the start command', () => {
  it('says in one sentence that its port is taken', { timeout: 30_000 }, async () => {
    const taken = createServer();
    await new Promise((resolve) => taken.listen(0, '127.0.0.1', resolve));
    const { port } = taken.address();
    const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs'), '--port', String(port)], {
      stdio: ['ignore', 'ignore', 'pipe'],
    });
    let said = '';
    child.stderr.on('data', (chunk) => (said += chunk));
    const code = await new Promise((resolve) => child.once('exit', resolve));
    taken.close();
    expect(code).toBe(1);
    expect(said.trim()).toBe(`Hollow Bell: port ${port} is taken by another program; choose one with “--port 5000” or PORT=5000.`);
  });
});
