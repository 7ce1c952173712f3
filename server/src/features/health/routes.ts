/* Whether server and database answer. */
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Sequelize } from 'sequelize';
import { served } from '../../http/served.ts';

export const healthRoutes =
  (sequelize: Sequelize): FastifyPluginAsyncZod =>
  async (app) => {
    app.route({
      ...served('health'),
      handler: async () => {
        await sequelize.query('SELECT 1');
        return { ok: true };
      },
    });
  };
