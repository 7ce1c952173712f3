/* The whole program, started as a maker starts it, on a data folder of its own. */
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { planOf, plannedHoney } from '@hollow-bell/core/must';

const START = fileURLToPath(new URL('../scripts/start.mjs', import.meta.url));

export const plan = { must: planOf([plannedHoney('linden', 1500)], 4), practice: DEFAULT_PRACTICE };

export interface Program {
  child: ChildProcess;
  address: string;
  /** All that it has said so far. */
  said: () => string;
}

export function start(data: string, port: number): Promise<Program> {
  const env: NodeJS.ProcessEnv = { ...process.env, LOG_LEVEL: 'silent' };
  delete env['DATABASE_URL'];
  delete env['npm_lifecycle_event'];
  const child = spawn(process.execPath, [START, '--port', String(port), '--data', data], { env, stdio: ['ignore', 'pipe', 'pipe'] });
  return new Promise((resolve, reject) => {
    let said = '';
    const listen = (chunk: Buffer): void => {
      said += chunk.toString();
      const address = /Hollow Bell is at (\S+)/.exec(said)?.[1];
      if (address !== undefined) resolve({ child, address, said: () => said.trim() });
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', () => reject(new Error(said.trim())));
  });
}

export const end = (program: Program): Promise<unknown> => {
  const gone = new Promise((resolve) => program.child.once('exit', resolve));
  program.child.kill('SIGTERM');
  return gone;
};

export const post = (address: string, method: string, path: string, body: object): Promise<Response> =>
  fetch(`${address}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(20_000),
  });
