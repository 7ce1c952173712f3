import {
  appendSchema,
  appendedSchema,
  batchListSchema,
  batchSchema,
  blendSchema,
  createBatchSchema,
  errorSchema,
  listQuerySchema,
  moveSchema,
  renameBatchSchema,
  replanSchema,
  splitSchema,
} from '@hollow-bell/contract';
import type { NewEvent } from '@hollow-bell/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { BatchStore } from './store.ts';

const params = z.object({ id: z.uuid() });
const errors = { 400: errorSchema, 404: errorSchema, 409: errorSchema, 422: errorSchema, 503: errorSchema };

export const batchRoutes =
  (store: BatchStore): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/batches', { schema: { querystring: listQuerySchema, response: { 200: batchListSchema, ...errors } } }, (request) =>
      store.list(request.query),
    );
    const reading = z.object({ ledger: z.enum(['true', 'false']).default('true') });
    app.get(
      '/batches/:id',
      { schema: { params, querystring: reading, response: { 200: z.string(), ...errors } } },
      async (request, reply) =>
        reply.type('application/json; charset=utf-8').send(await store.readText(request.params.id, request.query.ledger === 'true')),
    );
    app.post('/batches', { schema: { body: createBatchSchema, response: { 200: batchSchema, ...errors } } }, (request) =>
      store.create(request.body.id, request.body.name, request.body.plan),
    );
    app.patch('/batches/:id', { schema: { params, body: renameBatchSchema, response: { 200: batchSchema, ...errors } } }, (request) =>
      store.rename(request.params.id, request.body.name),
    );
    app.put('/batches/:id/plan', { schema: { params, body: replanSchema, response: { 200: batchSchema, ...errors } } }, (request) =>
      store.replan(request.params.id, request.body.afterVersion, request.body.plan),
    );
    app.post('/batches/:id/split', { schema: { params, body: splitSchema, response: { 200: batchSchema, ...errors } } }, (request) =>
      store.split(request.params.id, request.body),
    );

    app.post('/batches/:id/blend', { schema: { params, body: blendSchema, response: { 200: batchSchema, ...errors } } }, (request) =>
      store.blend(request.params.id, request.body),
    );

    app.post('/batches/:id/move', { schema: { params, body: moveSchema, response: { 200: batchSchema, ...errors } } }, (request) =>
      store.move(request.params.id, request.body),
    );

    app.post('/batches/:id/events', { schema: { params, body: appendSchema, response: { 200: appendedSchema, ...errors } } }, (request) =>
      store.append(request.params.id, request.body.afterSeq, request.body.events as NewEvent[]),
    );
  };
