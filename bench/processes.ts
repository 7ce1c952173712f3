import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import autocannon from 'autocannon';

const START = fileURLToPath(new URL('../scripts/start.mjs', import.meta.url));
const SECONDS = 4;
const FIRST_PORT = 28_100;

async function start(databaseUrl: string, port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, [START, '--port', String(port)], {
    env: { ...process.env, DATABASE_URL: databaseUrl, LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  let said = '';
  child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
  while (!said.includes('Hollow Bell is at')) await once(child.stdout, 'data');
  return child;
}

/** Requests a second that some processes answer together, on one database, for what costs them and hardly the database. */
async function throughput(ports: readonly number[]): Promise<number> {
  const all = await Promise.all(
    ports.map((port) => autocannon({ url: `http://localhost:${port}/api/docs/json`, connections: 8 / ports.length, duration: SECONDS })),
  );
  return all.reduce((sum, { requests }) => sum + requests.average, 0);
}

/** Two server processes against one, in turns. */
export async function processTimes(databaseUrl: string): Promise<string[]> {
  const ports = [FIRST_PORT, FIRST_PORT + 1];
  const children = [];
  for (const port of ports) children.push(await start(databaseUrl, port));
  const ratios: number[] = [];
  for (let round = 0; round < 3; round++) {
    const one = await throughput(ports.slice(0, 1));
    ratios.push((await throughput(ports)) / one);
  }
  for (const child of children) {
    child.kill('SIGTERM');
    await once(child, 'exit');
  }
  const ratio = ratios.toSorted((a, b) => a - b)[1] ?? Number.NaN;
  return [
    `two server processes on one database: ${ratio.toFixed(2)} × one, budget 1.6 ×, on ${availableParallelism()} cores that client and database share`,
  ];
}
