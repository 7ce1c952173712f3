/* Floating hydrometers: which may post, and what becomes of their posts. */
import type { FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { HttpProblem } from '../../http/errors.ts';
import { served } from '../../http/served.ts';
import type { FloatStore } from './store.ts';

/** A float that posts each minute stays far below this; a mad one is held off. */
const POSTS_PER_MINUTE = 30;

const tokenOf = (request: FastifyRequest): string => /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1] ?? '';

/** The open endpoint that any float may post to, and the floats that the maker has made known. */
export const floatRoutes =
  (store: FloatStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({
      ...served('postFloat'),
      config: {
        ...served('postFloat').config,
        rateLimit: { max: POSTS_PER_MINUTE, timeWindow: 60_000, keyGenerator: (request: FastifyRequest) => `float ${tokenOf(request)}` },
      },
      handler: (request) => {
        const token = tokenOf(request);
        if (token === '') throw new HttpProblem(401, 'not_allowed', 'A float sends its token: “Authorization: Bearer …”.');
        return store.take(token, request.body, request.ip);
      },
    });
    app.route({ ...served('floats'), handler: async () => ({ floats: await store.list() }) });
    app.route({ ...served('makeFloat'), handler: ({ body }) => store.make(body.id, body.name, body.batchId) });
    app.route({ ...served('hangFloat'), handler: ({ params, body }) => store.hang(params.id, body.batchId) });
    app.route({
      ...served('removeFloat'),
      handler: async ({ params }) => {
        await store.remove(params.id);
        return { removed: true };
      },
    });
  };
