import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Sequelize } from 'sequelize';
import { z } from 'zod';

export const healthRoutes =
  (sequelize: Sequelize): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/health', { schema: { response: { 200: z.object({ ok: z.literal(true) }) } } }, async () => {
      await sequelize.query('SELECT 1');
      return { ok: true as const };
    });
  };
