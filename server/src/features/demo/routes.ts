/* A made-up cellar for an empty one. */
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { served } from '../../http/served.ts';
import { loadDemoCellar } from './load.ts';
import type { Cellar } from './load.ts';

export const demoRoutes =
  (cellar: Cellar): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({ ...served('loadDemo'), handler: async () => ({ filled: await loadDemoCellar(cellar) }) });
  };
