import type { ApiError } from '@hollow-bell/contract';
import type { BatchEvent } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { ConnectionAcquireTimeoutError, ConnectionError, DatabaseError } from 'sequelize';

/** An answer other than success, in the one error shape. */
export class HttpProblem extends Error {
  readonly status: number;
  readonly code: ApiError['code'];
  readonly since: BatchEvent[] | undefined;

  constructor(status: number, code: ApiError['code'], message: string, since?: BatchEvent[]) {
    super(message);
    this.status = status;
    this.code = code;
    this.since = since;
  }
}

/** PostgreSQL's classes for a server that goes or is gone: connection exception, operator intervention, insufficient resources. */
const GONE = /^(08|57P|53)/;

function isDatabaseAway(error: unknown): boolean {
  if (error instanceof ConnectionError || error instanceof ConnectionAcquireTimeoutError) return true;
  const original = error instanceof DatabaseError ? error.original : error;
  const code = (original as { code?: unknown } | null)?.code;
  if (typeof code === 'string' && (GONE.test(code) || ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOENT'].includes(code))) return true;
  return (
    error instanceof Error &&
    /Connection terminated|server closed the connection|not queryable|connection manager was closed/i.test(error.message)
  );
}

function problemOf(error: unknown): HttpProblem & { field?: string; said?: Sentence } {
  if (error instanceof HttpProblem) return error;
  if (error instanceof Refusal)
    return Object.assign(new HttpProblem(422, 'bad_input', error.message), {
      said: error.said,
      ...(error.field === undefined ? {} : { field: error.field }),
    });
  if (hasZodFastifySchemaValidationErrors(error)) {
    const first = error.validation[0];
    const field = first?.instancePath.slice(1) ?? '';
    return Object.assign(
      new HttpProblem(
        400,
        'bad_input',
        `${field === '' ? 'The request' : field} is not as it should be: ${first?.message ?? 'unreadable'}.`,
      ),
      { field },
    );
  }
  if (isDatabaseAway(error)) {
    return new HttpProblem(
      503,
      'database_away',
      'The cellar’s records cannot be reached just now. Nothing is lost; what you wrote will be kept and sent again.',
    );
  }
  const status = (error as Partial<FastifyError>).statusCode;
  if (status === 429) return new HttpProblem(429, 'too_many', 'Too many requests in a minute; wait a little.');
  if (status !== undefined && status >= 400 && status < 500) return new HttpProblem(status, 'bad_input', (error as Error).message);
  return new HttpProblem(
    500,
    'internal',
    'Something went wrong on our side; nothing was written. The log has the details under this request’s number.',
  );
}

export function answerError(error: unknown, request: FastifyRequest, reply: FastifyReply): void {
  const problem = problemOf(error);
  if (problem.status >= 500) request.log.error({ err: error }, problem.code);
  else request.log.info({ code: problem.code, reason: problem.message }, 'refused');
  const body: ApiError = { code: problem.code, message: problem.message, requestId: request.id };
  if (problem.field !== undefined && problem.field !== '') body.field = problem.field;
  if (problem.said !== undefined) body.said = problem.said;
  if (problem.since !== undefined) body.since = problem.since;
  if (problem.status === 503) void reply.header('retry-after', '2');
  void reply.status(problem.status).send(body);
}
