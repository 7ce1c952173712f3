import { ROUTES, misfitOf } from '@hollow-bell/contract';
import type {
  AnswerOf,
  ApiError,
  BatchPlan,
  Blend,
  BodyOf,
  Fate,
  FloatPost,
  ListQuery,
  Move,
  NewEvent,
  Practice,
  Recipe,
  RouteName,
  ShelfItem,
  Split,
} from '@hollow-bell/contract';
import { DEMO, cellarBase } from '../cellar.ts';
import { upcast } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import type { Sentence } from '@hollow-bell/core/quantities';

/** An answer from the server that is not a success, or no answer at all (`away`). */
export class ApiFailure extends Error {
  readonly code: ApiError['code'] | 'away';
  readonly since: BatchEvent[];
  /** The message with its quantities still in SI, to be told in the maker's own units. */
  readonly said: Sentence;

  constructor(code: ApiError['code'] | 'away', message: string, since: BatchEvent[] = [], said: Sentence = [message]) {
    super(message);
    this.code = code;
    this.since = since;
    this.said = said;
  }

  /** Worth trying again with the same request: nothing was refused, nobody answered. */
  get isPassing(): boolean {
    return ['away', 'database_away', 'too_many'].includes(this.code);
  }
}

const AWAY = 'Hollow Bell does not answer just now. What you wrote is kept here and will be sent again.';
const OTHER_PROGRAM = 'Hollow Bell was changed since this page was opened. Load the page again; what you wrote is kept here.';

interface Sending<R extends RouteName> {
  id?: string;
  query?: Record<string, string>;
  body?: BodyOf<R>;
  token?: string;
  /** Of another cellar than the page's. */
  base?: string;
}

/** Asks by the table of routes, and holds the answer to it. */
async function call<R extends RouteName>(name: R, { id, query, body, token, base = cellarBase }: Sending<R> = {}): Promise<AnswerOf<R>> {
  const { method, path, answer: shape } = ROUTES[name];
  const address = `${base}/api${id === undefined ? path : path.replace(':id', id)}${query === undefined ? '' : `?${new URLSearchParams(query).toString()}`}`;
  let response: Response;
  try {
    response = await fetch(address, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(token === undefined ? {} : { authorization: `Bearer ${token}` }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(20_000),
    });
  } catch {
    throw new ApiFailure('away', AWAY);
  }
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) {
    const misfit = misfitOf(shape, answer);
    if (misfit !== null) throw new ApiFailure('internal', `${OTHER_PROGRAM} (${name} ${misfit.path.join('.')}: ${misfit.says})`);
    return answer as AnswerOf<R>;
  }
  const error = answer as ApiError | null;
  if (error?.code === undefined) throw new ApiFailure('away', AWAY);
  throw new ApiFailure(error.code, error.message, error.since?.map(upcast), error.said);
}

/** What an earlier program wrote is read as this one does. */
const read = <B extends { events: BatchEvent[] }>(answer: Promise<B>): Promise<B> =>
  answer.then((batch) => ({ ...batch, events: batch.events.map(upcast) }));

export const api = {
  health: () => call('health'),
  practice: () => call('practice'),
  savePractice: (practice: Practice) => call('savePractice', { body: practice }),
  /** Fills the made-up cellar where it is empty, and has it read as the maker's own would. */
  fillDemo: async (practice?: Practice): Promise<void> => {
    const { filled } = await call('loadDemo', { base: DEMO });
    if (filled && practice !== undefined) await call('savePractice', { body: practice, base: DEMO });
  },
  rounds: () => call('rounds'),
  batches: ({ name = '', olderThan }: ListQuery) => call('batches', { query: { name, ...(olderThan === undefined ? {} : { olderThan }) } }),
  batch: (id: string) => read(call('batch', { id, query: { ledger: 'false' } })),
  createBatch: (id: string, name: string, plan: BatchPlan) => read(call('createBatch', { body: { id, name, plan } })),
  decide: (id: string, fate: Fate) => call('decide', { id, body: { fate } }),
  rename: (id: string, name: string) => read(call('rename', { id, body: { name } })),
  replan: (id: string, afterVersion: number, plan: BatchPlan) => read(call('replan', { id, body: { afterVersion, plan } })),
  split: (id: string, split: Split) => read(call('split', { id, body: split })),
  rejoin: (id: string, childId: string) => read(call('rejoin', { id, body: { childId } })),
  blend: (id: string, blend: Blend) => read(call('blend', { id, body: blend })),
  move: (id: string, move: Move) => read(call('move', { id, body: move })),
  append: (id: string, afterSeq: number, events: NewEvent[]) => read(call('append', { id, body: { afterSeq, events } })),
  floats: () => call('floats'),
  makeFloat: (id: string, name: string, batchId: string) => call('makeFloat', { body: { id, name, batchId } }),
  hangFloat: (id: string, batchId: string | null) => call('hangFloat', { id, body: { batchId } }),
  removeFloat: (id: string) => call('removeFloat', { id }),
  postFloat: (token: string, post: FloatPost) => call('postFloat', { token, body: post }),
  calendar: () => call('calendar'),
  renewCalendar: () => call('renewCalendar'),
  closeCalendar: () => call('closeCalendar'),
  shelf: () => call('shelf'),
  putShelfItem: (item: ShelfItem, afterVersion: number) => call('putShelfItem', { id: item.id, body: { afterVersion, item } }),
  importShelf: (items: ShelfItem[]) => call('importShelf', { body: { items } }),
  removeShelfItem: (id: string) => call('removeShelfItem', { id }),
  cellar: () => call('cellar'),
  recipes: () => call('recipes'),
  putRecipe: (recipe: Recipe, afterVersion: number) => call('putRecipe', { id: recipe.id, body: { afterVersion, recipe } }),
  removeRecipe: (id: string) => call('removeRecipe', { id }),
};
