import { errorSchema } from '@hollow-bell/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';

/** The opening view: every vessel as it stands and what it asks for. */
export const roundsRoutes =
  (standing: () => Promise<string>): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/rounds', { schema: { response: { 200: z.string(), 503: errorSchema } } }, async (_request, reply) =>
      reply.type('application/json; charset=utf-8').send(await standing()),
    );
  };
