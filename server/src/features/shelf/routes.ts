import { errorSchema, importShelfSchema, putItemSchema, shelfSchema, shelvedSchema } from '@hollow-bell/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { HttpProblem } from '../../http/errors.ts';
import type { ShelfStore } from './store.ts';

const params = z.object({ id: z.uuid() });
const errors = { 400: errorSchema, 409: errorSchema, 422: errorSchema, 503: errorSchema };
/** A thousand rows with their figures. */
const IMPORT_LIMIT_BYTES = 2 * 1024 * 1024;

export const shelfRoutes =
  (store: ShelfStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/shelf', { schema: { response: { 200: shelfSchema, 503: errorSchema } } }, async () => ({ items: await store.list() }));

    app.put('/shelf/:id', { schema: { params, body: putItemSchema, response: { 200: shelvedSchema, ...errors } } }, (request) => {
      const { item, afterVersion } = request.body;
      if (item.id !== request.params.id) throw new HttpProblem(400, 'bad_input', 'The address and the item name different lots.');
      return store.put(item, afterVersion);
    });

    app.post(
      '/shelf/import',
      {
        bodyLimit: IMPORT_LIMIT_BYTES,
        schema: { body: importShelfSchema, response: { 200: z.object({ written: z.number() }), ...errors } },
      },
      async (request) => ({ written: await store.importAll(request.body.items) }),
    );

    app.delete('/shelf/:id', { schema: { params, response: { 200: z.object({ removed: z.boolean() }), ...errors } } }, async (request) => {
      await store.remove(request.params.id);
      return { removed: true };
    });
  };
