/* Batches: their plans, their records, liquid moved between them. */
import { listQueryShape } from '@hollow-bell/contract';
import type { Standing } from '@hollow-bell/contract';
import { answerSchema } from '@hollow-bell/contract/zod';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { served, servedAsText } from '../../http/served.ts';
import type { BatchStore } from './store.ts';

/** An address holds text; its moments are numbers. */
const withMoments = (query: unknown): unknown =>
  Object.fromEntries(
    Object.entries(query ?? {}).map(([name, value]: [string, unknown]) => [
      name,
      name.startsWith('begun') && typeof value === 'string' && value.trim() !== '' ? Number(value) : value,
    ]),
  );

export const batchRoutes =
  (store: BatchStore, standing: (id: string) => Promise<Standing | null>): FastifyPluginAsyncZod =>
  async (app) => {
    const list = served('batches');
    const listing = { ...list.schema, querystring: z.preprocess(withMoments, answerSchema(listQueryShape)) };
    app.route({ ...list, schema: listing, handler: ({ query }) => store.list(query) });

    const read = servedAsText('batch');
    const reading = { ...read.schema, querystring: z.object({ ledger: z.enum(['true', 'false']).default('true') }) };
    app.route({
      ...read,
      schema: reading,
      handler: async ({ params, query }, reply) =>
        reply.type('application/json; charset=utf-8').send(await store.readText(params.id, query.ledger === 'true')),
    });

    app.route({ ...served('createBatch'), handler: ({ body }) => store.create(body.id, body.name, body.plan) });
    app.route({ ...served('rename'), handler: ({ params, body }) => store.rename(params.id, body.name) });
    app.route({ ...served('decide'), handler: ({ params, body }) => store.decide(params.id, body.fate) });
    app.route({ ...served('replan'), handler: ({ params, body }) => store.replan(params.id, body.afterVersion, body.plan) });
    app.route({ ...served('split'), handler: ({ params, body }) => store.split(params.id, body) });
    app.route({ ...served('rejoin'), handler: ({ params, body }) => store.rejoin(params.id, body.childId) });
    app.route({ ...served('blend'), handler: ({ params, body }) => store.blend(params.id, body) });
    app.route({ ...served('move'), handler: ({ params, body }) => store.move(params.id, body) });
    app.route({
      ...served('append'),
      handler: async ({ params, body }) => {
        const written = await store.append(params.id, body.afterSeq, body.events);
        return { ...written, standing: await standing(params.id) };
      },
    });
  };
