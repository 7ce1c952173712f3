import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { request as httpsRequest } from 'node:https';
import { connect as connectTo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ApiError, Batch, Doors, MadeFloat, PairingCode, Visitor } from '@hollow-bell/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readConfig } from '../../config.ts';
import { setPassphrase, startServer } from '../../main.ts';
import type { Running } from '../../main.ts';
import { freshDatabase, happened, pitched, plan } from '../../test/server.ts';
import { fingerprintOf } from './authority.ts';

const HOUSE = '127.0.0.2';
const PASSPHRASE = 'four words of linden honey';
const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-doors-'));
afterAll(() => rmSync(folder, { recursive: true }));

const configOf = (databaseUrl: string) =>
  ({ host: '127.0.0.1', port: 0, databaseUrl, logLevel: 'silent', requestsPerMinute: 100_000 }) as const;
const house = { port: 0, folder, address: HOUSE };

interface Answer<T> {
  status: number;
  body: T;
  cookie: string;
  setCookie: string;
}

/** A device in the house, with what its browser keeps. */
function device(running: Running, cookie = '') {
  const address = new URL(running.house.addresses[0]!);
  let kept = cookie;
  const ask = <T = ApiError>(
    method: string,
    path: string,
    payload?: object,
    { host = address.host, origin = address.origin as string | null, ...headers }: Record<string, string | null> = {},
  ): Promise<Answer<T>> =>
    new Promise((resolve, reject) => {
      const body = payload === undefined ? undefined : JSON.stringify(payload);
      const request = httpsRequest(
        {
          host: HOUSE,
          port: address.port,
          ca: running.house.authority!,
          servername: '',
          method,
          path,
          headers: {
            host: host!,
            ...(origin === null ? {} : { origin }),
            ...(kept === '' ? {} : { cookie: kept }),
            ...(body === undefined ? {} : { 'content-type': 'application/json' }),
            ...(headers as Record<string, string>),
          },
        },
        (response) => {
          let text = '';
          response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk));
          response.on('end', () => {
            const setCookie = response.headers['set-cookie']?.[0] ?? '';
            if (setCookie !== '') kept = setCookie.split(';')[0]!;
            resolve({ status: response.statusCode!, body: (text === '' ? null : JSON.parse(text)) as T, cookie: kept, setCookie });
          });
        },
      );
      request.once('error', reject);
      request.end(body);
    });
  return { ask, cookie: () => kept };
}

/** Whoever sits at the machine. */
function machine(running: Running) {
  const { port } = new URL(running.address);
  return <T>(method: string, path: string, payload?: object): Promise<{ status: number; body: T }> =>
    new Promise((resolve, reject) => {
      const request = httpRequest(
        { host: '127.0.0.1', port, method, path, headers: { host: 'localhost', 'content-type': 'application/json' } },
        (response) => {
          let text = '';
          response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk));
          response.on('end', () => resolve({ status: response.statusCode!, body: JSON.parse(text) as T }));
        },
      );
      request.once('error', reject);
      request.end(payload === undefined ? undefined : JSON.stringify(payload));
    });
}

const canReach = (host: string, port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connectTo({ host, port });
    socket
      .once('error', () => resolve(false))
      .once('connect', () => {
        socket.destroy();
        resolve(true);
      });
  });

describe('a house without a passphrase', () => {
  it('is not listened in, with a sentence that says how to set one; then nothing answers', async () => {
    const { url } = await freshDatabase();
    await expect(startServer(configOf(url), { demo: false, house: { ...house, port: 28_901 } })).rejects.toThrow(
      /has a passphrase, and this one has none yet.*npm run passphrase/,
    );
    expect(await canReach(HOUSE, 28_901)).toBe(false);
    await expect(startServer({ ...configOf(url), behindProxy: 'https://mead.example' }, { demo: false })).rejects.toThrow(/has none yet/);
    expect(() => readConfig({ ...configOf(url), host: '0.0.0.0' })).toThrow(/--house/);
    expect(() => readConfig({ ...configOf(url), behindProxy: 'http://mead.example' })).toThrow(/BEHIND_PROXY/);
  });
});

describe('a house with a passphrase', () => {
  let running: Running;
  let url: string;
  beforeAll(async () => {
    ({ url } = await freshDatabase());
    await setPassphrase(url, PASSPHRASE);
    running = await startServer(configOf(url), { demo: false, house });
  });
  afterAll(() => running.stop());

  it('is not heard on the machine’s own door, nor without TLS', async () => {
    expect(await canReach(HOUSE, Number(new URL(running.address).port))).toBe(false);
    const { port } = new URL(running.house.addresses[0]!);
    await expect(fetch(`http://${HOUSE}:${port}/api/health`)).rejects.toThrow();
  });

  it('answers nobody who was not let in, but shows the door', async () => {
    const { ask } = device(running);
    for (const [method, path] of [
      ['GET', '/api/batches'],
      ['GET', '/api/practice'],
      ['GET', '/api/health'],
      ['GET', '/api/doors'],
      ['GET', '/api/backups'],
      ['GET', '/api/docs/json'],
      ['GET', '/api/no-such-thing'],
      ['GET', '/%61pi/batches'],
      ['GET', '/demo/%61pi/batches'],
      ['GET', '/api/files/cellar.json'],
      ['GET', '/demo/api/batches'],
      ['POST', '/api/batches'],
      ['POST', '/demo/api/demo'],
      ['DELETE', '/api/calendar'],
    ] as const) {
      const { status, body } = await ask(method, path, method === 'POST' ? {} : undefined);
      expect([method, path, status, body.code]).toEqual([method, path, 401, 'signed_out']);
    }
    expect((await ask<Visitor>('GET', '/api/doors/visitor')).body).toEqual({ as: 'nobody', name: null });
    expect((await ask('GET', '/api/batches', undefined, { cookie: '__Host-hollow-bell=guessed' })).status).toBe(401);
  });

  it('lets in by the passphrase, with a cookie that no script and no other site can use', async () => {
    const phone = device(running);
    const wrong = await phone.ask('POST', '/api/doors/sign-in', { passphrase: 'four words of heather', device: 'phone' });
    expect([wrong.status, wrong.body.code]).toEqual([401, 'not_allowed']);
    const come = await phone.ask<Visitor>('POST', '/api/doors/sign-in', { passphrase: ` ${PASSPHRASE} `, device: 'phone' });
    expect([come.status, come.body]).toEqual([200, { as: 'maker', name: 'phone' }]);
    for (const part of ['HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/']) expect(come.setCookie).toContain(part);
    expect(come.setCookie).toMatch(/^__Host-/);
    const id = randomUUID();
    expect((await phone.ask('POST', '/api/batches', { id, name: 'Linden', plan })).status).toBe(200);
    expect((await phone.ask('POST', `/api/batches/${id}/events`, { afterSeq: 0, events: happened(...pitched) })).status).toBe(200);
    expect((await machine(running)<Batch>('GET', `/api/batches/${id}`)).body.events).toHaveLength(3);
  });

  it('refuses a foreign name, a foreign page, a page that does not say who it is, and what is done at the machine alone', async () => {
    const phone = device(running);
    await phone.ask('POST', '/api/doors/sign-in', { passphrase: PASSPHRASE, device: 'phone' });
    const write = (headers: Record<string, string | null>) =>
      phone.ask('POST', '/api/batches', { id: randomUUID(), name: 'X', plan }, headers);
    expect((await write({})).status).toBe(200);
    for (const headers of [
      { host: 'evil.example' },
      { host: 'localhost' },
      { origin: 'https://evil.example' },
      { origin: 'null' },
      { origin: null },
    ]) {
      const { status, body } = await write(headers);
      expect([headers, status, body.code]).toEqual([headers, 403, 'not_allowed']);
    }
    const machineOnly = await phone.ask('PUT', '/api/doors/passphrase', { passphrase: 'mine from now on' });
    expect([machineOnly.status, machineOnly.body.message]).toEqual([403, expect.stringMatching(/at the machine itself/)]);
  });

  it('pairs by a code that is good once, lets a guest look and not write, and ends a session at once', async () => {
    const maker = device(running);
    await maker.ask('POST', '/api/doors/sign-in', { passphrase: PASSPHRASE, device: 'kitchen' });
    const code = (await maker.ask<PairingCode>('POST', '/api/doors/codes', { role: 'guest' })).body;
    expect(code.link).toBe(`${running.house.addresses[0]!}/enter#${code.code}`);
    const guest = device(running);
    const typed = `${code.code.slice(0, 4).toLowerCase()} ${code.code.slice(4)}`;
    expect((await guest.ask<Visitor>('POST', '/api/doors/pair', { code: typed, device: 'aunt' })).body).toEqual({
      as: 'guest',
      name: 'aunt',
    });
    expect((await device(running).ask('POST', '/api/doors/pair', { code: code.code, device: 'thief' })).status).toBe(401);
    expect((await guest.ask('GET', '/api/batches')).status).toBe(200);
    for (const [method, path] of [
      ['POST', '/api/batches'],
      ['POST', '/api/doors/codes'],
      ['GET', '/api/doors'],
      ['GET', '/api/floats'],
      ['GET', '/api/backups'],
      ['GET', '/api/backups/hollow-bell-daily-2026-11-28T00-00-00.backup'],
      ['GET', '/api/calendar'],
      ['PUT', '/api/calendar'],
    ] as const) {
      const { status, body } = await guest.ask(method, path, method === 'POST' ? {} : undefined);
      expect([method, path, status, body.message]).toEqual([method, path, 403, expect.stringMatching(/as a guest/)]);
    }
    const { sessions } = (await maker.ask<Doors>('GET', '/api/doors')).body;
    const aunt = sessions.find(({ name }) => name === 'aunt')!;
    expect([aunt.role, aunt.address, aunt.isYours]).toEqual(['guest', expect.stringMatching(/^127\./), false]);
    expect(sessions.filter(({ isYours }) => isYours).map(({ name }) => name)).toEqual(['kitchen']);
    await maker.ask('DELETE', `/api/doors/sessions/${aunt.id}`);
    expect((await guest.ask('GET', '/api/batches')).body.code).toBe('signed_out');
    expect((await maker.ask('POST', '/api/doors/sign-out')).status).toBe(200);
    expect((await device(running, maker.cookie()).ask('GET', '/api/batches')).status).toBe(401);
  });

  it('takes a float’s readings by its token, without a session, and no other token', async () => {
    const maker = device(running);
    await maker.ask('POST', '/api/doors/sign-in', { passphrase: PASSPHRASE, device: 'kitchen' });
    const batchId = randomUUID();
    await maker.ask('POST', '/api/batches', { id: batchId, name: 'Linden', plan });
    const { token } = (await maker.ask<MadeFloat>('POST', '/api/floats', { id: randomUUID(), name: 'bob', batchId })).body;
    const post = (given: string) =>
      device(running).ask('POST', '/api/float', { readings: [{ sg: 1.05 }] }, { authorization: `Bearer ${given}`, origin: null });
    expect((await post(token)).status).toBe(200);
    expect((await post('guessed')).status).toBe(401);
  });

  it('gives its authority to whoever asks, and its certificate is good for its address alone', async () => {
    const authority = running.house.authority!;
    expect(fingerprintOf(authority)).toBe(running.house.fingerprint);
    const { port } = new URL(running.house.addresses[0]!);
    const got = await new Promise<string>((resolve, reject) => {
      httpsRequest(
        { host: HOUSE, port, path: '/api/doors/authority.crt', ca: authority, headers: { host: `${HOUSE}:${port}` } },
        (response) => {
          let text = '';
          response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk));
          response.on('end', () => resolve(text));
        },
      )
        .once('error', reject)
        .end();
    });
    expect(got).toBe(authority);
    await expect(fetch(`https://${HOUSE}:${port}/api/health`)).rejects.toThrow();
  });

  it('forgets every device when the passphrase is set anew', async () => {
    const phone = device(running);
    await phone.ask('POST', '/api/doors/sign-in', { passphrase: PASSPHRASE, device: 'phone' });
    expect((await machine(running)<ApiError>('PUT', '/api/doors/passphrase', { passphrase: 'short' })).body.message).toMatch(
      /at least 12 signs/,
    );
    expect((await machine(running)<Doors>('PUT', '/api/doors/passphrase', { passphrase: PASSPHRASE })).body.sessions).toEqual([]);
    expect((await phone.ask('GET', '/api/batches')).body.code).toBe('signed_out');
  });
});
