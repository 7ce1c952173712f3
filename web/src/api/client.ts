import type {
  ApiError,
  Batch,
  BatchList,
  BatchPlan,
  BatchRecord,
  Blend,
  CalendarAddress,
  FloatAnswer,
  FloatDevice,
  FloatPost,
  ListQuery,
  MadeFloat,
  Move,
  NewEvent,
  Practice,
  ShelfItem,
  Shelved,
  Split,
  Standing,
} from '@hollow-bell/contract';
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

async function call<T>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json', ...headers } }),
      signal: AbortSignal.timeout(20_000),
    });
  } catch {
    throw new ApiFailure('away', AWAY);
  }
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  const error = answer as ApiError | null;
  if (error?.code === undefined) throw new ApiFailure('away', AWAY);
  throw new ApiFailure(error.code, error.message, error.since?.map(upcast), error.said);
}

/** What an earlier program wrote is read as this one does. */
const read = <B extends { events: BatchEvent[] }>(answer: Promise<B>): Promise<B> =>
  answer.then((batch) => ({ ...batch, events: batch.events.map(upcast) }));

export const api = {
  health: () => call<{ ok: true }>('GET', '/health'),
  practice: () => call<{ practice: Practice | null }>('GET', '/practice'),
  savePractice: (practice: Practice) => call<{ practice: Practice }>('PUT', '/practice', practice),
  loadDemo: () => call<{ filled: boolean }>('POST', '/demo'),
  rounds: () => call<{ standing: Standing[] }>('GET', '/rounds'),
  batches: ({ name = '', olderThan }: ListQuery) =>
    call<BatchList>('GET', `/batches?${new URLSearchParams({ name, ...(olderThan === undefined ? {} : { olderThan }) }).toString()}`),
  batch: (id: string) => read(call<BatchRecord>('GET', `/batches/${id}?ledger=false`)),
  createBatch: (id: string, name: string, plan: BatchPlan) => read(call<Batch>('POST', '/batches', { id, name, plan })),
  rename: (id: string, name: string) => read(call<Batch>('PATCH', `/batches/${id}`, { name })),
  replan: (id: string, afterVersion: number, plan: BatchPlan) => read(call<Batch>('PUT', `/batches/${id}/plan`, { afterVersion, plan })),
  split: (id: string, split: Split) => read(call<Batch>('POST', `/batches/${id}/split`, split)),
  blend: (id: string, blend: Blend) => read(call<Batch>('POST', `/batches/${id}/blend`, blend)),
  move: (id: string, move: Move) => read(call<Batch>('POST', `/batches/${id}/move`, move)),
  floats: () => call<{ floats: FloatDevice[] }>('GET', '/floats'),
  makeFloat: (id: string, name: string, batchId: string) => call<MadeFloat>('POST', '/floats', { id, name, batchId }),
  hangFloat: (id: string, batchId: string | null) => call<FloatDevice>('PATCH', `/floats/${id}`, { batchId }),
  removeFloat: (id: string) => call<{ removed: boolean }>('DELETE', `/floats/${id}`),
  postFloat: (token: string, post: FloatPost) => call<FloatAnswer>('POST', '/float', post, { authorization: `Bearer ${token}` }),
  calendar: () => call<CalendarAddress>('GET', '/calendar'),
  renewCalendar: () => call<CalendarAddress>('PUT', '/calendar'),
  closeCalendar: () => call<CalendarAddress>('DELETE', '/calendar'),
  shelf: () => call<{ items: Shelved[] }>('GET', '/shelf'),
  putShelfItem: (item: ShelfItem, afterVersion: number) => call<Shelved>('PUT', `/shelf/${item.id}`, { afterVersion, item }),
  importShelf: (items: ShelfItem[]) => call<{ written: number }>('POST', '/shelf/import', { items }),
  removeShelfItem: (id: string) => call<{ removed: boolean }>('DELETE', `/shelf/${id}`),
  append: (id: string, afterSeq: number, events: NewEvent[]) =>
    read(call<{ lastSeq: number; events: BatchEvent[] }>('POST', `/batches/${id}/events`, { afterSeq, events })),
};
