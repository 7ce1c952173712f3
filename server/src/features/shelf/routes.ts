/* Lots, packets, vessels and instruments. */
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { HttpProblem } from '../../http/errors.ts';
import { served } from '../../http/served.ts';
import type { ShelfStore } from './store.ts';

/** A thousand rows with their figures. */
const IMPORT_LIMIT_BYTES = 2 * 1024 * 1024;

export const shelfRoutes =
  (store: ShelfStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({ ...served('shelf'), handler: async () => ({ items: await store.list() }) });
    app.route({
      ...served('putShelfItem'),
      handler: ({ params, body: { item, afterVersion } }) => {
        if (item.id !== params.id) throw new HttpProblem(400, 'bad_input', 'The address and the item name different lots.');
        return store.put(item, afterVersion);
      },
    });
    app.route({
      ...served('importShelf'),
      bodyLimit: IMPORT_LIMIT_BYTES,
      handler: async ({ body }) => ({ written: await store.importAll(body.items) }),
    });
    app.route({
      ...served('removeShelfItem'),
      handler: async ({ params }) => {
        await store.remove(params.id);
        return { removed: true };
      },
    });
  };
