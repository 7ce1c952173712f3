import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';
import { TEMPLATES, copyOf } from '../scripts/setup/templates.mjs';

/** A whole Hollow Bell of its own: server, web app and a database on the test cluster. */
export interface Cellar {
  url: string;
  databaseUrl: string;
}

/** One in a process of its own. */
export interface ProgramCellar extends Cellar {
  kill: () => Promise<void>;
  restart: (how?: How) => Promise<void>;
  /** Where the house finds it, once it was started for the house. */
  houseUrl: string;
}

/** Further words to the start command, and what it finds in its environment. */
interface How {
  args?: readonly string[];
  env?: Readonly<Record<string, string>>;
}

/** What the built server shows of itself. */
interface Program {
  startServer: (config: object, options: { demo: boolean }) => Promise<{ address: string; stop: () => Promise<void> }>;
}

const START = fileURLToPath(new URL('../scripts/start.mjs', import.meta.url));
const SERVER_DIST = new URL('../server/dist/main.js', import.meta.url).href;
const WEB_DIST = fileURLToPath(new URL('../web/dist', import.meta.url));

/** Below the ports that the system hands to outgoing connections, so that none of those takes it between a stop and a restart. */
const FIRST_PORT = 21_000;
const PORTS_PER_WORKER = 1000;
let portsAsked = 0;
/** Another address of this machine, as a house’s would be. */
export const HOUSE_ADDRESS = '127.0.0.2';

function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

async function freePort(): Promise<number> {
  const first = FIRST_PORT + PORTS_PER_WORKER * Number(process.env['TEST_PARALLEL_INDEX'] ?? 0);
  while (portsAsked < PORTS_PER_WORKER) {
    const port = first + portsAsked;
    portsAsked += 2;
    if (await isFree(port)) return port;
  }
  throw new Error('no free port');
}

/** A database of its own on the cluster that the test command started, empty or with the demo cellar in it. */
const newDatabase = (demo: boolean): Promise<string> =>
  copyOf(process.env['HOLLOW_BELL_TEST_CLUSTER'] ?? '', demo ? TEMPLATES.demo : TEMPLATES.empty, `e2e_${randomUUID().replaceAll('-', '')}`);

function launch(databaseUrl: string, port: number, demo: boolean, { args = [], env = {} }: How = {}): Promise<ChildProcess> {
  const child = spawn(process.execPath, [START, ...(demo ? ['--demo'] : []), '--port', String(port), ...args], {
    env: { ...process.env, DATABASE_URL: databaseUrl, LOG_LEVEL: 'silent', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return new Promise((resolve, reject) => {
    let said = '';
    const listen = (chunk: Buffer): void => {
      said += chunk.toString();
      if (said.includes('Hollow Bell is at')) resolve(child);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', () => reject(new Error(`the server did not start: ${said}`)));
  });
}

type Ended<T> = T & { stop: () => Promise<void> };
const pathOf = (demo: boolean): string => (demo ? '/demo' : '');

/** The built program in this process, on a database of its own: what most tests want. */
export async function openCellar(demo: boolean): Promise<Ended<Cellar>> {
  const { startServer } = (await import(SERVER_DIST)) as Program;
  const databaseUrl = await newDatabase(demo);
  const config = { host: '127.0.0.1', port: 0, databaseUrl, webRoot: WEB_DIST, logLevel: 'silent', requestsPerMinute: 100_000 };
  const { address, stop } = await startServer(config, { demo });
  return { url: `${address.replace('127.0.0.1', 'localhost')}${pathOf(demo)}`, databaseUrl, stop };
}

/** The program as a maker starts it, in a process that can be killed. */
export async function startCellar(demo: boolean): Promise<Ended<ProgramCellar>> {
  const databaseUrl = await newDatabase(demo);
  const port = await freePort();
  let child = await launch(databaseUrl, port, demo);
  const end = (signal: NodeJS.Signals): Promise<void> =>
    new Promise((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) {
        resolve();
        return;
      }
      child.once('exit', () => resolve());
      child.kill(signal);
    });
  return {
    url: `http://localhost:${port}${pathOf(demo)}`,
    databaseUrl,
    kill: () => end('SIGKILL'),
    houseUrl: `https://${HOUSE_ADDRESS}:${port + 1}`,
    restart: async (how) => {
      await end('SIGTERM');
      child = await launch(databaseUrl, port, false, how);
    },
    stop: () => end('SIGTERM'),
  };
}
