/* What goes out of a cellar, and comes in again. */
import type { BatchSummary, CellarFile, Practice } from '@hollow-bell/contract';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { Dated } from '@hollow-bell/tell/calendar';
import type { FastifyReply } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { served } from '../../http/served.ts';
import { archiveOf } from './archive.ts';
import { publishedSchema } from './schemas.ts';
import type { Incoming } from './incoming.ts';
import type { Outgoing } from './outgoing.ts';

interface Cellar {
  out: Outgoing;
  into: Incoming;
  batches: { open: () => Promise<BatchSummary[]> };
  datedOf: (batch: BatchSummary, now: number) => Dated;
  practice: { read: () => Promise<Practice | null> };
  now: () => number;
}

/** A cellar of many years; more comes in as a backup. */
const LIMIT_BYTES = 64 * 1024 * 1024;
const LONGEST_MS = 120_000;

const named = (reply: FastifyReply, name: string, type: string): FastifyReply =>
  reply.type(type).header('content-disposition', `attachment; filename="${name}"`).header('cache-control', 'no-store');
const asJson = (reply: FastifyReply, name: string, file: CellarFile): FastifyReply =>
  named(reply, name, 'application/json; charset=utf-8').send(`${JSON.stringify(file, null, 1)}\n`);

export const fileRoutes =
  ({ out, into, batches, datedOf, practice, now }: Cellar): FastifyPluginAsyncZod =>
  async (app) => {
    const answer = { response: { 200: z.any() } };
    const slow = { handlerTimeout: LONGEST_MS };
    app.get('/files/cellar.json', { ...slow, schema: answer }, async (_request, reply) =>
      asJson(reply, 'cellar.hollow-bell.json', await out.whole()),
    );
    app.get('/files/batches/:id.json', { ...slow, schema: { params: z.object({ id: z.uuid() }), ...answer } }, async (request, reply) =>
      asJson(reply, 'batch.hollow-bell.json', await out.family(request.params.id)),
    );
    app.get('/files/everything.zip', { ...slow, schema: answer }, async (_request, reply) => {
      const units = ((await practice.read()) ?? DEFAULT_PRACTICE).units;
      const archive = await archiveOf(
        await out.whole(),
        (await batches.open()).map((batch) => datedOf(batch, now())),
        { units, locale: 'en', now: now() },
      );
      return named(reply, 'hollow-bell.zip', 'application/zip').send(archive);
    });
    app.get(
      '/schemas/:name.json',
      { schema: { params: z.object({ name: z.enum(['cellar', 'recipe']) }), ...answer } },
      ({ params }, reply) => reply.type('application/schema+json').send(publishedSchema(params.name)),
    );
    app.route({
      ...served('importFile'),
      ...slow,
      bodyLimit: LIMIT_BYTES,
      handler: async ({ body: { file, isTrial } }) => ({ isDone: !isTrial, brought: await into.bring(file, isTrial) }),
    });
  };
