/* Requests that nobody should send: from the table of routes and the shapes of what is sent, each spoiled somewhere. */
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import { ROUTES } from '@hollow-bell/contract';
import type { RouteName } from '@hollow-bell/contract';
import { BODIES } from '@hollow-bell/contract/bodies';
import type { Shape } from '@hollow-bell/core/quantities';
import { fitting } from '@hollow-bell/core/testing';
import fc from 'fast-check';
import { HANGS_MS, faultIn } from './answers.ts';
import type { Ended } from './answers.ts';
import { freshDatabase, serverOn } from './cellar.ts';
import { chanceOf, counter, pick, through } from './part.ts';
import type { Part } from './part.ts';

const AT_ONCE = 16;
const SAMPLES = 40;

const HOSTILE: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -1e308,
  0.1 + 0.2,
  2 ** 53,
  '',
  ' ',
  'x',
  '\0',
  '\uD800',
  '\uDFFF',
  '‮',
  "'; DROP TABLE batches; --",
  '%00',
  '../../etc/passwd',
  '9'.repeat(400),
  'a'.repeat(20_000),
  [],
  {},
  [[[[[[]]]]]],
  { constructor: 1 },
  { toString: null },
  'constructor',
  '__proto__',
  'NaN',
  '1,5',
  '2026-02-30',
  '00000000-0000-0000-0000-000000000000',
];
const ORIGINS = ['null', '', 'http://', 'http://[', 'http://evil.example', '%', 'javascript:1', 'http://localhost:1', 'ü'];
const HOSTS = ['evil.example', 'localhost.evil.example', '127.0.0.1@evil', '[::1', 'LOCALHOST', '0', '127.1'];
const TYPES = ['application/json', 'text/plain', 'application/xml', 'multipart/form-data', 'application/json; charset=utf-16', ''];
const PATHS = [
  '/',
  '/api',
  '/api/',
  '/api/batches/',
  '/api/batches/x',
  '/api/batches/%00',
  '/api/batches/%ff',
  '/api/batches?find=%00',
  '/api/batches?find=%F0%28',
  '/api/batches?olderThan=x&olderThan=y',
  '/api/batches?fate=__proto__',
  '/api/calendar/%00.ics',
  '/api/calendar/..%2f..%2fx.ics',
  '/api/files/batches/x.json',
  '/api/backups/..%2f..%2fetc%2fpasswd',
  '/api/schemas/__proto__.json',
  '/api/docs/static/..%2f..%2f..%2fpackage.json',
  '/demo/api/batches/x',
  '/assets/..%2f..%2fpackage.json',
  '//evil.example/api',
];

/** A value with one of its parts made into something else. */
function spoiled(value: unknown, chance: () => number): unknown {
  const paths: (string | number)[][] = [];
  const walk = (part: unknown, path: (string | number)[]): void => {
    paths.push(path);
    if (typeof part === 'object' && part !== null) for (const [key, each] of Object.entries(part)) walk(each, [...path, key]);
  };
  walk(value, []);
  const path = pick(paths, chance);
  const last = path.at(-1);
  if (last === undefined) return pick(HOSTILE, chance);
  const copy = structuredClone(value) as Record<string | number, unknown>;
  let holder = copy;
  for (const step of path.slice(0, -1)) holder = holder[step] as Record<string | number, unknown>;
  const how = chance();
  if (how < 0.2) Reflect.deleteProperty(holder, last);
  else if (how < 0.3) holder[pick(['x\0', '__proto__x', 'constructor', ''], chance)] = 1;
  else if (how < 0.4 && Array.isArray(holder)) (holder as unknown[]).push(...(holder as unknown[]));
  else holder[last] = pick(HOSTILE, chance);
  return copy;
}

interface Sent {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: string | undefined;
}

const names = Object.keys(ROUTES) as RouteName[];
const samples = new Map<RouteName, unknown[]>();
/** Some bodies that fit, drawn once: what is spoiled of them differs each time. */
function samplesOf(name: RouteName, seed: number): unknown[] {
  const shape = (BODIES as Partial<Record<RouteName, Shape>>)[name];
  const known = samples.get(name) ?? (shape === undefined ? [] : fc.sample(fitting(shape, false), { seed, numRuns: SAMPLES }));
  samples.set(name, known);
  return known;
}

function drawn(seed: number, index: number, batchIds: readonly string[]): Sent {
  const chance = chanceOf(seed, 'requests', index);
  if (chance() < 0.06)
    return { method: pick(['GET', 'HEAD', 'OPTIONS', 'PUT'], chance), path: pick(PATHS, chance), headers: {}, body: undefined };
  const name = pick(names, chance);
  const { method, path } = ROUTES[name];
  const id =
    chance() < 0.75
      ? pick(batchIds, chance)
      : chance() < 0.5
        ? randomUUID()
        : encodeURIComponent(
            JSON.stringify(pick(HOSTILE, chance))
              .slice(0, 300)
              .replace(/[\uD800-\uDFFF]/gu, ''),
          );
  const all = samplesOf(name, seed);
  const body = all.length === 0 ? undefined : spoiled(pick(all, chance), chance);
  const text = body === undefined ? undefined : JSON.stringify(body);
  const isBroken = chance() < 0.05;
  return {
    method,
    path: `${chance() < 0.1 ? '/demo' : ''}/api${path.replace(':id', id)}${chance() < 0.05 ? `?${pick(['x', 'ledger=maybe', '%'], chance)}` : ''}`,
    headers: {
      ...(text === undefined ? {} : { 'content-type': chance() < 0.95 ? 'application/json' : pick(TYPES, chance) }),
      ...(chance() < 0.1 ? { origin: encodeURI(pick(ORIGINS, chance)) } : {}),
      ...(chance() < 0.03 ? { host: pick(HOSTS, chance) } : {}),
      ...(name === 'postFloat' && chance() < 0.7
        ? { authorization: `Bearer ${pick(['', 'x', 'é'.repeat(3), 'a'.repeat(9000)], chance)}` }
        : {}),
    },
    body: isBroken ? text?.slice(0, Math.floor(text.length * chance())) : text,
  };
}

function send(port: number, agent: Agent, { method, path, headers, body }: Sent): Promise<Ended> {
  return new Promise((resolve) => {
    const asked = request(
      { host: '127.0.0.1', port, agent, method, path, headers: { host: `localhost:${port}`, ...latin(headers) } },
      (response) => {
        let text = '';
        response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk));
        response.once('end', () => end({ status: response.statusCode ?? 0, retryAfter: response.headers['retry-after'] ?? null, text }));
        // Closed before its end: what was to follow never came.
        response.once('close', () => end('cut off'));
      },
    );
    const late = setTimeout(() => {
      end('no answer');
      asked.destroy();
    }, HANGS_MS);
    const end = (how: Ended): void => {
      clearTimeout(late);
      resolve(how);
    };
    asked.once('error', () => end('cut off'));
    asked.end(body);
  });
}

/** Headers are bytes. */
const latin = (headers: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(headers).map(([name, value]) => [name, Buffer.from(value, 'utf8').toString('latin1')]));

export const requests: Part = async ({ seed, count, from, clusterUrl, say, plant }) => {
  const { counts, faults, add, fault } = counter();
  const running = await serverOn(await freshDatabase(clusterUrl));
  const before = await through(plant, running.address);
  const port = Number(new URL(before.address).port);
  const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });
  const [sample] = samplesOf('createBatch', seed);
  const batchIds = Array.from({ length: 4 }, () => randomUUID());
  for (const id of batchIds) {
    const body = JSON.stringify({ ...(sample as object), id, name: 'Linden' });
    await send(port, agent, { method: 'POST', path: '/api/batches', headers: { 'content-type': 'application/json' }, body });
  }
  let next = from;
  const work = async (): Promise<void> => {
    while (next < from + count) {
      const index = next++;
      const sent = drawn(seed, index, batchIds);
      const ended = await send(port, agent, sent);
      add(typeof ended === 'string' ? ended : `${Math.floor(ended.status / 100)}xx`);
      const found = faultIn(ended);
      if (found !== null) fault(`${found} for ${sent.method} ${sent.path}: --only requests --seed ${seed} --from ${index} --count 1`);
      if ((index - from + 1) % 20_000 === 0) say(`${index - from + 1} requests`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  const alive = await send(port, agent, { method: 'GET', path: '/api/health', headers: {}, body: undefined });
  if (typeof alive === 'string' || alive.status !== 200) fault('it does not answer any more');
  agent.destroy();
  await before.stop();
  await running.stop();
  return { counts, faults };
};
