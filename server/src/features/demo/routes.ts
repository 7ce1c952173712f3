import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { loadDemoCellar } from './load.ts';
import type { Cellar } from './load.ts';

export const demoRoutes =
  (cellar: Cellar): FastifyPluginAsyncZod =>
  async (app) => {
    app.post('/demo', { schema: { response: { 200: z.object({ filled: z.boolean() }) } } }, async () => ({
      filled: await loadDemoCellar(cellar),
    }));
  };
