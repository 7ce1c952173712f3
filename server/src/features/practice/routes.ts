/* The house’s units and schools. */
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { served } from '../../http/served.ts';
import type { PracticeStore } from './store.ts';

export const practiceRoutes =
  (store: PracticeStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({ ...served('practice'), handler: async () => ({ practice: await store.read() }) });
    app.route({
      ...served('savePractice'),
      handler: async ({ body }) => {
        await store.write(body);
        return { practice: body };
      },
    });
  };
