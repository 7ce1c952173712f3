import { practiceSchema } from '@hollow-bell/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { PracticeStore } from './store.ts';

export const practiceRoutes =
  (store: PracticeStore): FastifyPluginAsyncZod =>
  async (app) => {
    const answer = z.object({ practice: practiceSchema.nullable() });
    app.get('/practice', { schema: { response: { 200: answer } } }, async () => ({ practice: await store.read() }));
    app.put('/practice', { schema: { body: practiceSchema, response: { 200: answer } } }, async (request) => {
      await store.write(request.body);
      return { practice: request.body };
    });
  };
