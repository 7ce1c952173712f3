/* Every vessel as it stands, reckoned and remembered. */
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { servedAsText } from '../../http/served.ts';

/** The opening view: every vessel as it stands and what it asks for. */
export const roundsRoutes =
  ({ all }: { all: () => Promise<string> }): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({
      ...servedAsText('rounds'),
      handler: async (_request, reply) => reply.type('application/json; charset=utf-8').send(await all()),
    });
  };
