import { readFile } from 'node:fs/promises';
import type { MadeFloat } from '@hollow-bell/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { happened, newBatch, pitched, testApp } from './test/server.ts';

interface Example {
  method: 'GET' | 'POST';
  path: string;
  headers: Record<string, string>;
  body: string | undefined;
}

/** What a line of `curl` asks for, as far as the docs use it. */
function exampleOf(line: string): Example {
  const words = [...line.matchAll(/'([^']*)'|(\S+)/g)].map(([, quoted, bare]) => quoted ?? bare ?? '');
  const after = (flag: string): string[] => words.flatMap((word, i) => (word === flag ? [words[i + 1] ?? ''] : []));
  const url = words.find((word) => word.startsWith('http://localhost:4173')) ?? '';
  const headers = Object.fromEntries(
    after('-H').map((header): [string, string] => [header.split(': ')[0] ?? '', header.split(': ')[1] ?? '']),
  );
  return { method: after('-X')[0] === 'POST' ? 'POST' : 'GET', path: new URL(url).pathname, headers, body: after('-d')[0] };
}

const formats = await readFile(new URL('../../docs/formats.md', import.meta.url), 'utf8');
const examples = [...formats.matchAll(/^ {4}(curl .*)$/gm)].map(([, line]) => line ?? '');

describe('the calls in the docs', () => {
  let app: Awaited<ReturnType<typeof testApp>>;
  let token = '';
  beforeAll(async () => {
    app = await testApp();
    const { id: batchId } = await newBatch(app, happened(...pitched));
    ({ token } = (await app.call<MadeFloat>('POST', '/floats', { id: crypto.randomUUID(), name: 'bob', batchId })).body);
  });
  afterAll(() => app.app.close());

  it.each(examples)('%s', async (line) => {
    const { method, path, headers, body } = exampleOf(line.replace('TOKEN', token));
    const answer = await app.app.inject({
      method,
      url: path,
      headers: { host: 'localhost', ...headers },
      ...(body === undefined ? {} : { payload: body }),
    });
    expect(answer.statusCode, answer.body).toBe(200);
    expect(typeof answer.json()).toBe('object');
  });

  it('are there', () => {
    expect(examples.length).toBeGreaterThanOrEqual(4);
  });
});
