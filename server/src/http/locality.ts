import type { TLSSocket } from 'node:tls';
import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { HttpProblem } from './errors.ts';

const LOCAL_NAMES: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]']);

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** What listens in the house speaks TLS, what listens on this machine does not; behind a proxy everybody is from outside. */
export const isFromHouse = (request: FastifyRequest, behindProxy: boolean): boolean =>
  behindProxy || (request.raw.socket as Partial<TLSSocket>).encrypted === true;

/** A page without an address of its own sends “null”, a broken one anything. */
const isOfHost = (origin: string, host: string): boolean => URL.canParse(origin) && new URL(origin).host === host.toLowerCase();

export interface Known {
  /** Names and addresses that the house is told to use. */
  houseNames: ReadonlySet<string>;
  behindProxy: boolean;
}

/** Refuses requests that reach this machine under a foreign name or from a foreign page (DNS rebinding, cross-site writes). */
function refuseForeign(request: FastifyRequest, { houseNames, behindProxy }: Known): void {
  const { host } = request;
  const names = isFromHouse(request, behindProxy) ? houseNames : LOCAL_NAMES;
  if (!names.has(nameOf(host))) throw new HttpProblem(403, 'not_allowed', 'This address is not one that Hollow Bell answers to.');
  const { origin } = request.headers;
  if (origin !== undefined && request.method !== 'GET' && !isOfHost(origin, host)) {
    throw new HttpProblem(403, 'not_allowed', 'Another web page tried to write into the cellar; it was refused.');
  }
}

export const locality = (known: Known) =>
  fp((app) => {
    app.addHook('onRequest', async (request) => {
      refuseForeign(request, known);
    });
    return Promise.resolve();
  });
