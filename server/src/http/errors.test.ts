import type { ApiError } from '@hollow-bell/contract';
import Fastify from 'fastify';
import { ConnectionAcquireTimeoutError, ConnectionRefusedError, DatabaseError } from 'sequelize';
import { describe, expect, it } from 'vitest';
import { answering } from './errors.ts';
import type { DatabaseState } from './errors.ts';

/** What PostgreSQL says by its five signs, as it reaches a route. */
const said = (code: string): Error => new DatabaseError(Object.assign(new Error('no'), { code, sql: '' }));

async function answerTo(error: Error, state: DatabaseState = 'running') {
  const app = Fastify();
  app.setErrorHandler(answering(() => state));
  app.get('/', () => Promise.reject(error));
  const response = await app.inject({ method: 'GET', url: '/' });
  await app.close();
  return { status: response.statusCode, retry: response.headers['retry-after'], ...response.json<ApiError>() };
}

describe('what goes wrong with the database', () => {
  it.each<[string, Error, ApiError['code'], RegExp]>([
    ['a full disk', said('53100'), 'disk_full', /disk .* is full.*Make some/],
    ['too many connections', said('53300'), 'busy', /busy with many others/],
    ['two that waited for each other', said('40P01'), 'busy', /sent again in a moment/],
    ['a full pool', new ConnectionAcquireTimeoutError(new Error('full')), 'busy', /busy/],
    ['a server that goes', said('57P01'), 'database_away', /cannot be reached/],
    [
      'a server that is gone',
      new ConnectionRefusedError(Object.assign(new Error('no'), { code: 'ECONNREFUSED' })),
      'database_away',
      /Nothing is lost/,
    ],
    ['a query without an answer', new Error('Query read timeout'), 'database_away', /cannot be reached/],
  ])('%s is told as that, and is worth sending again', async (_, error, code, says) => {
    const answer = await answerTo(error);
    expect([answer.status, answer.code, answer.retry]).toEqual([503, code, '2']);
    expect(answer.message).toMatch(says);
  });

  it('says that it is being started again, where this program does so', async () => {
    expect((await answerTo(said('57P01'), 'starting again')).message).toMatch(/stopped and is being started again/);
    expect((await answerTo(said('53100'), 'starting again')).message).toMatch(/disk/);
  });

  it('is no excuse for a fault of this program’s own', async () => {
    const answer = await answerTo(said('42703'));
    expect([answer.status, answer.code, answer.message]).toEqual([
      500,
      'internal',
      expect.stringMatching(/on our side; nothing was written/),
    ]);
  });
});
