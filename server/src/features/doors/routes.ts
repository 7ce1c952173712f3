/* Coming in from the house, and who is in. */
import type { Doors, Visitor } from '@hollow-bell/contract';
import type { FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { HttpProblem } from '../../http/errors.ts';
import { served } from '../../http/served.ts';
import { letIn, showOut } from './gate.ts';
import type { DoorStore } from './store.ts';

/** Where the house is told to go; empty and null where nobody listens there. */
export interface House {
  addresses: string[];
  fingerprint: string | null;
  authority: string | null;
}
export const NO_HOUSE: House = { addresses: [], fingerprint: null, authority: null };

/** More than anybody mistypes in a minute; what is wrong is slowed down far sooner. */
const limited = { rateLimit: { max: 20, timeWindow: 60_000, keyGenerator: (request: FastifyRequest) => `door ${request.ip}` } };

export const doorRoutes =
  (store: DoorStore, house: () => House): FastifyPluginAsyncZod =>
  async (app) => {
    const standing = async ({ visitor }: FastifyRequest): Promise<Doors> => ({
      hasPassphrase: await store.hasPassphrase(),
      addresses: house().addresses,
      fingerprint: house().fingerprint,
      sessions: await store.list(visitor.sessionId),
    });
    const who = ({ visitor: { as, name } }: FastifyRequest): Visitor => ({ as, name });

    app.route({ ...served('visitor'), handler: (request) => Promise.resolve(who(request)) });
    app.route({ ...served('doors'), handler: standing });
    app.route({
      ...served('setPassphrase'),
      handler: async (request) => {
        await store.setPassphrase(request.body.passphrase);
        return standing(request);
      },
    });
    app.route({
      ...served('makeCode'),
      handler: async ({ body: { role } }) => {
        if (house().addresses.length === 0)
          throw new HttpProblem(409, 'not_allowed', 'Nobody listens in the house: start with “npm start -- --house”, then let a phone in.');
        const made = await store.makeCode(role);
        return { ...made, link: `${house().addresses[0] ?? ''}/enter#${made.code}` };
      },
    });
    app.route({
      ...served('signIn'),
      config: { ...served('signIn').config, ...limited },
      handler: async ({ body, ip }, reply) => {
        const come = await store.signIn(body.passphrase, body.device, ip);
        if (come === null) throw new HttpProblem(401, 'not_allowed', 'That is not the passphrase of this cellar.');
        return letIn(reply, come);
      },
    });
    app.route({
      ...served('pair'),
      config: { ...served('pair').config, ...limited },
      handler: async ({ body, ip }, reply) => {
        const come = await store.pair(body.code, body.device, ip);
        if (come === null)
          throw new HttpProblem(401, 'not_allowed', 'That code is none, or was used, or is older than ten minutes; ask for another.');
        return letIn(reply, come);
      },
    });
    app.route({
      ...served('signOut'),
      handler: async ({ visitor }, reply) => {
        if (visitor.sessionId !== null) await store.end(visitor.sessionId);
        showOut(reply);
        return { removed: true };
      },
    });
    app.route({
      ...served('endSession'),
      handler: async (request) => {
        await store.end(request.params.id);
        return standing(request);
      },
    });
    app.get('/doors/authority.crt', { config: { door: 'open' }, schema: { response: { 200: z.any() } } }, (_request, reply) => {
      const { authority } = house();
      if (authority === null) throw new HttpProblem(404, 'not_found', 'This house’s certificate is not by an authority of its own.');
      return reply
        .type('application/x-x509-ca-cert')
        .header('content-disposition', 'attachment; filename="hollow-bell-authority.crt"')
        .send(authority);
    });
  };
