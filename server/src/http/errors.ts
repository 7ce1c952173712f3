import { whereInWords } from '@hollow-bell/contract';
import type { ApiError } from '@hollow-bell/contract';
import type { BatchEvent } from '@hollow-bell/core/record';
import { Refusal, keepable } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { ConnectionAcquireTimeoutError, ConnectionError, DatabaseError, UniqueConstraintError } from 'sequelize';

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

/** What PostgreSQL says by its five signs, in a maker's words. Every other code of its is a fault of this program's. */
interface SaidByDatabase {
  code: RegExp;
  status: number;
  as: ApiError['code'];
  says: string;
}
const BUSY: SaidByDatabase = {
  code: /^(?:53300|53400|40001|40P01|55P03)$/,
  status: 503,
  as: 'busy',
  says: 'The cellar is busy with many others just now. Nothing is lost; what you wrote is kept and sent again in a moment.',
};
const AWAY: SaidByDatabase = {
  code: /^(?:08|57P|57014|53)/,
  status: 503,
  as: 'database_away',
  says: 'The cellar’s records cannot be reached just now. Nothing is lost; what you wrote will be kept and sent again.',
};
const SAID_BY_DATABASE: readonly SaidByDatabase[] = [
  {
    code: /^53100$/,
    status: 503,
    as: 'disk_full',
    says: 'The disk that the cellar is on is full. Nothing is lost; what you wrote is kept and sent again once there is room. Make some.',
  },
  BUSY,
  AWAY,
  {
    code: /^22/,
    status: 400,
    as: 'bad_input',
    says: 'Something in it cannot be kept: a sign that is no letter, or a number beyond all measure. Nothing was written.',
  },
];

/** What a socket says whose server is gone; a file that is missing says the same, but of no connection. */
const GONE = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOENT', 'ETIMEDOUT'];
const OF_A_SOCKET = ['connect', 'read', 'write'];

function saidByDatabase(error: unknown): SaidByDatabase | undefined {
  if (error instanceof ConnectionAcquireTimeoutError) return BUSY;
  const original = error instanceof DatabaseError || error instanceof ConnectionError ? error.original : error;
  const { code, syscall } = (original ?? {}) as { code?: unknown; syscall?: string };
  const known = typeof code === 'string' ? SAID_BY_DATABASE.find((each) => each.code.test(code)) : undefined;
  if (known !== undefined) return known;
  if (error instanceof ConnectionError) return AWAY;
  if (GONE.includes(String(code)) && (syscall === undefined || OF_A_SOCKET.includes(syscall))) return AWAY;
  const isGone =
    error instanceof Error &&
    /Connection terminated|server closed the connection|not queryable|connection manager was closed|Query read timeout/i.test(
      error.message,
    );
  return isGone ? AWAY : undefined;
}

/** So many faults are spelled out; of the others it says how many there are. */
const TOLD_FAULTS = 8;

function problemOfFaults(found: readonly { path: (string | number)[]; message: string }[]): HttpProblem & Told {
  const faults = found.map(({ path, message }) => ({ field: path.join('/'), says: message, where: whereInWords(path) }));
  const sentences = faults
    .slice(0, TOLD_FAULTS)
    .map(({ where, says }) => `${where === '' ? 'What was sent' : capitalized(where)}: ${says}`);
  const more = faults.length - sentences.length;
  const message = `${sentences.join(' ')}${more > 0 ? ` And ${more} more.` : ''}`;
  return Object.assign(new HttpProblem(400, 'bad_input', message), {
    field: told(faults[0]?.field ?? '', 1000),
    faults: faults.slice(0, 100).map(({ field, says }) => ({ field: told(field, 1000), says: told(says, 1000) })),
  });
}

const capitalized = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

interface Told {
  field?: string;
  said?: Sentence;
  faults?: { field: string; says: string }[];
}

/** What Fastify itself refuses before a route is asked. */
const REFUSED_AT_DOOR: Readonly<Record<string, string>> = {
  FST_ERR_CTP_BODY_TOO_LARGE: 'That is more than is taken at once; send it in parts.',
  FST_ERR_CTP_EMPTY_JSON_BODY: 'Nothing was sent; JSON is wanted.',
  FST_ERR_CTP_INVALID_JSON_BODY: 'What was sent is no JSON.',
  FST_ERR_CTP_INVALID_CONTENT_LENGTH: 'What arrived is not as long as was announced; send it again.',
  FST_ERR_CTP_INVALID_MEDIA_TYPE: 'JSON is wanted: “Content-Type: application/json”.',
};

function problemOf(error: unknown): HttpProblem & Told {
  if (error instanceof HttpProblem) return error;
  if (error instanceof Refusal)
    return Object.assign(new HttpProblem(422, 'bad_input', error.message), {
      said: error.said,
      ...(error.field === undefined ? {} : { field: error.field }),
    });
  if (hasZodFastifySchemaValidationErrors(error))
    return problemOfFaults(error.validation.map(({ instancePath, message }) => ({ path: stepsOf(instancePath), message: message ?? '' })));
  if (error instanceof UniqueConstraintError && 'id' in error.fields)
    return new HttpProblem(409, 'id_taken', 'Something with one of these ids is on record already, in another place; nothing was written.');
  const said = saidByDatabase(error);
  if (said !== undefined) return new HttpProblem(said.status, said.as, said.says);
  const { statusCode: status, code } = error as Partial<FastifyError>;
  if (code === 'FST_ERR_HANDLER_TIMEOUT') return new HttpProblem(503, BUSY.as, BUSY.says);
  if (status === 429) return new HttpProblem(429, 'too_many', 'Too many requests in a minute; wait a little.');
  if (status !== undefined && status >= 400 && status < 500)
    return new HttpProblem(status, 'bad_input', REFUSED_AT_DOOR[code ?? ''] ?? 'That request cannot be read.');
  return new HttpProblem(
    500,
    'internal',
    'Something went wrong on our side; nothing was written. The log has the details under this request’s number.',
  );
}

const stepsOf = (pointer: string): (string | number)[] =>
  pointer
    .split('/')
    .filter((step) => step !== '')
    .map((step) => (/^\d+$/.test(step) ? Number(step) : step));

/** What of it may have come from outside is cut to what an answer holds. */
const told = (text: string, most: number): string => keepable(text, '�').slice(0, most);

/** Of a database that this program keeps running: it runs, is being started again after it died, or was given up. */
export type DatabaseState = 'running' | 'starting again' | 'stopped';
const STARTING_AGAIN =
  'The database stopped and is being started again; that takes some seconds. Nothing is lost; what you wrote is kept and sent again.';

/** Turns what went wrong into an answer. */
export const answering =
  (state?: () => DatabaseState) =>
  (error: unknown, request: FastifyRequest, reply: FastifyReply): void => {
    const problem = problemOf(error);
    if (problem.code === 'database_away' && state?.() === 'starting again') problem.message = STARTING_AGAIN;
    answer(problem, error, request, reply);
  };

function answer(problem: HttpProblem & Told, error: unknown, request: FastifyRequest, reply: FastifyReply): void {
  if (problem.status >= 500) request.log.error({ err: error }, problem.code);
  else request.log.info({ code: problem.code, reason: problem.message }, 'refused');
  const body: ApiError = { code: problem.code, message: told(problem.message, 10_000), requestId: request.id };
  if (problem.field !== undefined && problem.field !== '') body.field = problem.field;
  if (problem.faults !== undefined) body.faults = problem.faults;
  if (problem.said !== undefined) body.said = problem.said;
  if (problem.since !== undefined) body.since = problem.since;
  if (problem.status === 503) void reply.header('retry-after', '2');
  void reply.status(problem.status).send(body);
}
