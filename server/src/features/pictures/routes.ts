/* Pictures on entries: listed by batch, each at an address of its own. */
import { MOST_PICTURE_BYTES } from '@hollow-bell/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { error, served } from '../../http/served.ts';
import type { PictureStore } from './store.ts';

/** Base 64, and the words around it. */
const LIMIT_BYTES = 2 * MOST_PICTURE_BYTES;

export const pictureRoutes =
  (store: PictureStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({ ...served('pictures'), handler: async ({ params }) => ({ pictures: await store.list(params.id) }) });
    app.route({
      ...served('putPicture'),
      bodyLimit: LIMIT_BYTES,
      handler: async ({ params, body }) => ({ pictures: await store.put(params.id, body.entryId, body.jpeg) }),
    });
    app.route({
      ...served('takeOffPicture'),
      handler: async ({ params, body }) => ({ pictures: await store.takeOff(params.id, body.isOff) }),
    });
    app.get(
      '/pictures/:id.jpg',
      { schema: { params: z.object({ id: z.uuid() }), response: { 200: z.any(), 404: error } } },
      async ({ params }, reply) => reply.type('image/jpeg').send(await store.read(params.id)),
    );
  };
