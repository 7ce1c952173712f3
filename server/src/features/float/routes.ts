import {
  errorSchema,
  floatAnswerSchema,
  floatDeviceSchema,
  floatPostSchema,
  hangFloatSchema,
  madeFloatSchema,
  newFloatSchema,
} from '@hollow-bell/contract';
import type { FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { HttpProblem } from '../../http/errors.ts';
import type { FloatStore } from './store.ts';

const errors = {
  400: errorSchema,
  401: errorSchema,
  404: errorSchema,
  409: errorSchema,
  422: errorSchema,
  429: errorSchema,
  503: errorSchema,
};
/** A float that posts each minute stays far below this; a mad one is held off. */
const POSTS_PER_MINUTE = 30;

const tokenOf = (request: FastifyRequest): string => /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1] ?? '';

/** The open endpoint that any float may post to, and the floats that the maker has made known. */
export const floatRoutes =
  (store: FloatStore): FastifyPluginAsyncZod =>
  async (app) => {
    const params = z.object({ id: z.uuid() });
    app.post(
      '/float',
      {
        config: { rateLimit: { max: POSTS_PER_MINUTE, timeWindow: 60_000, keyGenerator: (request) => `float ${tokenOf(request)}` } },
        schema: { body: floatPostSchema, response: { 200: floatAnswerSchema, ...errors } },
      },
      (request) => {
        const token = tokenOf(request);
        if (token === '') throw new HttpProblem(401, 'not_allowed', 'A float sends its token: “Authorization: Bearer …”.');
        return store.take(token, request.body);
      },
    );
    app.get('/floats', { schema: { response: { 200: z.object({ floats: z.array(floatDeviceSchema) }), 503: errorSchema } } }, async () => ({
      floats: await store.list(),
    }));
    app.post('/floats', { schema: { body: newFloatSchema, response: { 200: madeFloatSchema, ...errors } } }, ({ body }) =>
      store.make(body.id, body.name, body.batchId),
    );
    app.patch('/floats/:id', { schema: { params, body: hangFloatSchema, response: { 200: floatDeviceSchema, ...errors } } }, (request) =>
      store.hang(request.params.id, request.body.batchId),
    );
    app.delete('/floats/:id', { schema: { params, response: { 200: z.object({ removed: z.boolean() }), ...errors } } }, async (request) => {
      await store.remove(request.params.id);
      return { removed: true };
    });
  };
