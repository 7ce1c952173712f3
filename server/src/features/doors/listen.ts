import { readFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { REQUEST_MS } from '../../config.ts';
import { houseNames } from './addresses.ts';
import { certified, fingerprintOf } from './authority.ts';
import type { Certified } from './authority.ts';
import type { House } from './routes.ts';

export interface HouseOptions {
  port: number;
  /** Where the authority and its keys are kept. */
  folder: string;
  /** One address to listen at; every one of this machine's where not given. */
  address?: string;
  /** The maker's own certificate and key, as files. */
  certificate?: { cert: string; key: string };
}

export const namesOf = ({ address }: HouseOptions): string[] => (address === undefined ? houseNames() : [address]);

function certificateOf({ certificate, folder }: HouseOptions, names: readonly string[]): Certified {
  if (certificate === undefined) return certified(join(folder, 'tls'), names, Date.now());
  try {
    return { key: readFileSync(certificate.key, 'utf8'), cert: readFileSync(certificate.cert, 'utf8'), authority: null, names };
  } catch (error) {
    throw new Error(`HOUSE_CERT and HOUSE_KEY name files that cannot be read: ${(error as Error).message}.`, { cause: error });
  }
}

/** Listens in the house over TLS, for the same program that listens on this machine. */
export async function listenInHouse(
  route: (request: IncomingMessage, response: ServerResponse) => void,
  options: HouseOptions,
  names: readonly string[],
): Promise<{ house: House; stop: (graceMs: number) => Promise<void> }> {
  if (names.length === 0) throw new Error('this machine has no address in a network; connect it, or name one with HOUSE_ADDRESS.');
  const { key, cert, authority, names: good } = certificateOf(options, names);
  const server = createServer({ key, cert, minVersion: 'TLSv1.2', requestTimeout: REQUEST_MS }, route);
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        new Error(
          error.code === 'EADDRINUSE'
            ? `port ${options.port}, on which the house is to be heard, is taken by another program; choose one with “--house-port 5001”.`
            : `the house cannot be heard at ${options.address ?? 'this machine’s addresses'}: ${error.message}.`,
        ),
      ),
    );
    server.listen(options.port, options.address ?? '0.0.0.0', resolve);
  });
  const { port } = server.address() as AddressInfo;
  return {
    house: {
      addresses: good.map((name) => `https://${name}:${port}`),
      fingerprint: authority === null ? null : fingerprintOf(authority),
      authority,
    },
    stop: (graceMs) =>
      new Promise((resolve) => {
        const cutOff = setTimeout(() => server.closeAllConnections(), graceMs);
        server.close(() => {
          clearTimeout(cutOff);
          resolve();
        });
        server.closeIdleConnections();
      }),
  };
}
