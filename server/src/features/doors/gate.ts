/* Who asks, and whether this door is open to them. */
import type { Door, Role, Visitor } from '@hollow-bell/contract';
import type { FastifyReply, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { HttpProblem } from '../../http/errors.ts';
import { isFromHouse } from '../../http/locality.ts';
import { SESSION_DAYS } from './store.ts';
import type { DoorStore, LetIn } from './store.ts';

/** The prefix has browsers take it over TLS only, and from nobody but this very host. */
const COOKIE = '__Host-hollow-bell';
const DAY_S = 24 * 3600;

declare module 'fastify' {
  interface FastifyContextConfig {
    door?: Door;
  }
  interface FastifyRequest {
    visitor: Visitor & { sessionId: string | null };
  }
}

const AT_THE_MACHINE = { as: 'machine', name: null, sessionId: null } as const;

/**
 * Everything under an api is the cellar’s own unless it says otherwise. The route that was found decides, not how its address was written.
 *
 * @returns null for pages and their scripts, which hold nothing of the cellar
 */
function doorOf({ url, method, routeOptions }: FastifyRequest): Door | null {
  const said = routeOptions.config.door;
  if (said !== undefined) return said;
  if (!/^\/(?:demo\/)?api(?:\/|$)/.test(routeOptions.url ?? url)) return null;
  return method === 'GET' || method === 'HEAD' ? 'guest' : 'maker';
}

/** Remembers a device in its browser. */
export function letIn(reply: FastifyReply, { token, name, role }: LetIn): Visitor {
  void reply.setCookie(COOKIE, token, { path: '/', httpOnly: true, secure: true, sameSite: 'strict', maxAge: SESSION_DAYS * DAY_S });
  return { as: role, name };
}

export const showOut = (reply: FastifyReply): void => void reply.clearCookie(COOKIE, { path: '/', secure: true });

const GUESTS_LOOK =
  'You are here as a guest: everything can be looked at, nothing written. Who keeps this cellar can let you in as a maker.';
const AT_THE_MACHINE_ONLY = 'That is done at the machine itself, at its own address “localhost”.';

function requireRole(role: Role, door: Door): void {
  if (door === 'machine') throw new HttpProblem(403, 'not_allowed', AT_THE_MACHINE_ONLY);
  if (door === 'maker' && role === 'guest') throw new HttpProblem(403, 'not_allowed', GUESTS_LOOK);
}

/** Whoever comes over the machine's own loopback is at home; from the house, each comes with a session. */
export const gate = (store: DoorStore, behindProxy: boolean) =>
  fp((app) => {
    app.decorateRequest('visitor');
    app.addHook('onRequest', async (request) => {
      const door = doorOf(request);
      request.visitor = AT_THE_MACHINE;
      if (door === null || !isFromHouse(request, behindProxy)) return;
      const token = request.cookies[COOKIE];
      const session = token === undefined ? null : await store.sessionOf(token, request.ip);
      if (session !== null) request.visitor = { as: session.role, name: session.name, sessionId: session.id };
      else request.visitor = { as: 'nobody', name: null, sessionId: null };
      if (door === 'open') return;
      if (session === null)
        throw new HttpProblem(401, 'signed_out', 'This device is not let in, or no longer; sign in. What you wrote is kept.');
      requireRole(session.role, door);
      // A browser names the page that writes; whoever does not is none, and has no business with its cookie.
      const isWrite = request.method !== 'GET' && request.method !== 'HEAD';
      if (isWrite && request.headers.origin === undefined)
        throw new HttpProblem(403, 'not_allowed', 'A write from the house says which page it comes from.');
    });
    return Promise.resolve();
  });
