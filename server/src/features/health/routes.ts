/* Whether server and database answer. */
import { uptime } from 'node:os';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import type { Sequelize } from 'sequelize';
import { clockWatch } from './clock.ts';
import { served } from '../../http/served.ts';

export const healthRoutes =
  (sequelize: Sequelize, now: () => number): FastifyPluginAsyncZod =>
  async (app) => {
    const clock = clockWatch(now, () => 1000 * uptime());
    app.route({
      ...served('health'),
      handler: async () => {
        await sequelize.query('SELECT 1');
        return { ok: true, clockMovedMs: clock.movedMs() };
      },
    });
  };
