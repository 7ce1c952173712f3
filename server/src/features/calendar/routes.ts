/* What is due, as a calendar outside reads it. */
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { BatchSummary, Practice } from '@hollow-bell/contract';
import type { FastifyReply, FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { HttpProblem } from '../../http/errors.ts';
import { error, served } from '../../http/served.ts';
import { calendarFile } from '@hollow-bell/tell/calendar';
import { datedOf } from './dated.ts';
import type { GuessBook } from '../../http/guesses.ts';
import type { CalendarStore } from './store.ts';

interface Cellar {
  batches: { open: () => Promise<BatchSummary[]>; read: (id: string) => Promise<BatchSummary> };
  practice: { read: () => Promise<Practice | null> };
  calendar: CalendarStore;
  doors: GuessBook;
  now: () => number;
}

const errors = { 400: error, 404: error, 503: error };

/** What is due, for calendars outside: one batch as a file, all open ones at an address that only its holder knows. */
export const calendarRoutes =
  ({ batches, practice, calendar, doors, now }: Cellar): FastifyPluginAsyncZod =>
  async (app) => {
    const answer = async (request: FastifyRequest, reply: FastifyReply, name: string, which: readonly BatchSummary[]) => {
      const { units } = (await practice.read()) ?? DEFAULT_PRACTICE;
      void reply.type('text/calendar; charset=utf-8').header('cache-control', 'private, no-cache');
      const dated = which.map((batch) => datedOf(batch, now()));
      return calendarFile(
        name,
        dated,
        { units, locale: 'en', now: now() },
        `${request.protocol}://${request.host}${app.prefix.replace(/\/api$/, '')}`,
      );
    };

    app.get(
      '/batches/:id/calendar.ics',
      { schema: { params: z.object({ id: z.uuid() }), response: { 200: z.string(), ...errors } } },
      async (request, reply) => {
        const batch = await batches.read(request.params.id);
        void reply.header('content-disposition', 'attachment; filename="feeding.ics"');
        return answer(request, reply, batch.name, [batch]);
      },
    );

    app.get(
      '/calendar/:token.ics',
      {
        config: { door: 'open' },
        schema: { params: z.object({ token: z.string().min(1).max(64) }), response: { 200: z.string(), ...errors } },
      },
      async (request, reply) => {
        const { token } = request.params;
        if (!(await calendar.opens(token))) {
          await doors.guess(request.ip, () => Promise.resolve(null));
          throw new HttpProblem(404, 'not_found', 'There is no calendar at this address; it may have been renewed or closed.');
        }
        return answer(request, reply, 'Hollow Bell', await batches.open());
      },
    );

    app.route({ ...served('calendar'), handler: () => calendar.standing() });
    app.route({ ...served('renewCalendar'), handler: async () => ({ token: await calendar.renew(), ...(await calendar.standing()) }) });
    app.route({
      ...served('closeCalendar'),
      handler: async () => {
        await calendar.close();
        return calendar.standing();
      },
    });
  };
