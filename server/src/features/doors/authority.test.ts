import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect as connectTls } from 'node:tls';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { afterAll, describe, expect, it } from 'vitest';
import { certified, certify } from './authority.ts';

const HOUSE = '127.0.0.2';
const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-authority-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What a phone that trusts an authority says to a machine that goes by a name. */
async function greet(certificate: { key: string; cert: string }, ca: string, name: string): Promise<string> {
  const server = createServer(certificate).listen(0, HOUSE);
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  return new Promise<string>((resolve) => {
    const socket = connectTls({ host: HOUSE, port, ca, servername: name === HOUSE ? '' : name }, () => resolve('welcome'));
    socket.once('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? ''));
    socket.once('close', () => server.close());
    socket.end();
  });
}

describe('the house’s own authority', () => {
  it('stays, while the certificate follows the names and the years; its keys are nobody else’s to read', () => {
    const own = join(folder, 'authority');
    const now = Date.now();
    const first = certified(own, ['192.168.1.5', 'cellar.local'], now);
    expect(certified(own, ['192.168.1.5'], now).cert).toBe(first.cert);
    const moved = certified(own, ['192.168.1.6'], now);
    expect(moved.cert).not.toBe(first.cert);
    expect(moved.authority).toBe(first.authority);
    expect(certified(own, ['192.168.1.6'], now + 366 * DAY_MS).cert).toBe(moved.cert);
    expect(certified(own, ['192.168.1.6'], now + 368 * DAY_MS).cert).not.toBe(moved.cert);
    for (const name of ['authority.key', 'machine.key']) expect(statSync(join(own, name)).mode & 0o777).toBe(0o600);
  });

  it('leaves out a name that it may not vouch for, which would cost it the others, and is made anew where no other is left', async () => {
    const own = join(folder, 'renamed');
    const first = certified(own, [HOUSE, 'cellar'], Date.now());
    const renamed = certified(own, [HOUSE, 'kitchen', 'kitchen.local'], Date.now());
    expect([first.names, renamed.names, renamed.authority === first.authority]).toEqual([
      [HOUSE, 'cellar'],
      [HOUSE, 'kitchen.local'],
      true,
    ]);
    expect(await greet(renamed, first.authority!, HOUSE)).toBe('welcome');
    const abroad = certified(own, ['203.0.113.7'], Date.now());
    expect([abroad.names, abroad.authority === first.authority]).toEqual([['203.0.113.7'], false]);
  });

  it('can speak for no machine outside, even stolen', async () => {
    const own = join(folder, 'stolen');
    certified(own, [HOUSE], Date.now());
    const authority = { key: readFileSync(join(own, 'authority.key'), 'utf8'), cert: readFileSync(join(own, 'authority.crt'), 'utf8') };
    const speak = (name: string): Promise<string> => greet(certify(authority, [name], Date.now()), authority.cert, name);
    expect(await speak(HOUSE)).toBe('welcome');
    expect(await speak('cellar.local')).toBe('welcome');
    expect(await speak('bank.example')).not.toBe('welcome');
  });
});
