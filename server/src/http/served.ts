/* What all routes share: the table, the error shape, who may come in. */
import { ROUTES, errorShape } from '@hollow-bell/contract';
import type { AnswerOf, BodyOf, Door, RouteName } from '@hollow-bell/contract';
import { BODIES } from '@hollow-bell/contract/bodies';
import { answerSchema, bodySchema } from '@hollow-bell/contract/zod';
import type { Shape } from '@hollow-bell/core/quantities';
import { z } from 'zod';

export const error = answerSchema(errorShape);
const errors = { 400: error, 401: error, 403: error, 404: error, 409: error, 422: error, 429: error, 503: error };

type Params<R extends RouteName> = (typeof ROUTES)[R]['path'] extends `${string}:id${string}` ? { id: string } : unknown;

interface Served<R extends RouteName, A> {
  method: (typeof ROUTES)[R]['method'];
  url: string;
  config: { door?: Door };
  schema: {
    params: z.ZodType<Params<R>>;
    body: z.ZodType<BodyOf<R>>;
    response: { 200: z.ZodType<A> } & Record<400 | 401 | 403 | 404 | 409 | 422 | 429 | 503, typeof error>;
  };
}

function schemasOf(name: RouteName, ok: z.ZodType): object {
  const { path } = ROUTES[name];
  const body: Shape | undefined = (BODIES as Partial<Record<RouteName, Shape>>)[name];
  return {
    ...(path.includes(':id') ? { params: z.object({ id: z.uuid() }) } : {}),
    ...(body === undefined ? {} : { body: bodySchema(body) }),
    response: { 200: ok, ...errors },
  };
}

const configOf = (name: RouteName): { door?: Door } => {
  const route = ROUTES[name];
  return 'door' in route ? { door: route.door } : {};
};

/** A route of the table: where it is, what it takes and what it answers. */
export function served<R extends RouteName>(name: R): Served<R, AnswerOf<R>> {
  const { method, path, answer } = ROUTES[name];
  return { method, url: path, config: configOf(name), schema: schemasOf(name, answerSchema(answer as Shape)) } as Served<R, AnswerOf<R>>;
}

/** The same where the database writes the answer as JSON text, to be handed on as it is. */
export function servedAsText<R extends RouteName>(name: R): Served<R, string> {
  const { method, path } = ROUTES[name];
  return { method, url: path, config: configOf(name), schema: schemasOf(name, z.string()) } as Served<R, string>;
}
