import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { HttpProblem } from './errors.ts';

const LOCAL_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);

const nameOf = (host: string): string => host.replace(/:\d+$/, '');

/** Refuses requests that reach this machine under a foreign name or from a foreign page (DNS rebinding, cross-site writes). */
function refuseForeign(request: FastifyRequest): void {
  const host = request.headers.host ?? '';
  if (!LOCAL_NAMES.has(nameOf(host))) throw new HttpProblem(403, 'not_allowed', 'This address is not one that Hollow Bell answers to.');
  const { origin } = request.headers;
  if (origin !== undefined && request.method !== 'GET' && new URL(origin).host !== host) {
    throw new HttpProblem(403, 'not_allowed', 'Another web page tried to write into the cellar; it was refused.');
  }
}

export const locality = fp((app) => {
  app.addHook('onRequest', async (request) => {
    refuseForeign(request);
  });
  return Promise.resolve();
});
