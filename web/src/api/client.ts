import { ROUTES, misfitOf } from '@hollow-bell/contract';
import type {
  AnswerOf,
  ApiError,
  BatchPlan,
  Blend,
  BodyOf,
  CellarFile,
  Fate,
  FloatPost,
  ListQuery,
  Move,
  NewEvent,
  Practice,
  Recipe,
  Role,
  RouteName,
  ShelfItem,
  Split,
} from '@hollow-bell/contract';
import { DEMO, cellarBase } from '../cellar.ts';
import { amendSeen, forgetSeen, keepSeen, lastSeen } from './lastSeen.ts';
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
    return ['away', 'database_away', 'busy', 'disk_full', 'too_many', 'signed_out'].includes(this.code);
  }

  /** What was sent was looked at and cannot be so. Everything else is nobody’s judgement of it. */
  get isRefusal(): boolean {
    return ['bad_input', 'not_found', 'stale'].includes(this.code);
  }
}

const AWAY = 'Hollow Bell does not answer just now. What you wrote is kept here and will be sent again.';
const OTHER_PROGRAM = 'Hollow Bell was changed since this page was opened. Load the page again; what you wrote is kept here.';

const signedOut = new Set<() => void>();
/** Is told whenever the server says that this device is not let in, or no longer. */
export const onSignedOut = (listener: () => void): void => void signedOut.add(listener);

interface Sending<R extends RouteName> {
  id?: string;
  query?: Record<string, string>;
  body?: BodyOf<R>;
  token?: string;
  /** Of another cellar than the page's. */
  base?: string;
  withinMs?: number;
}

/** Who comes in, and what the house keeps, is one for the maker's own cellar and the made-up one. */
const HOUSE = { base: '' };

/** What is shown as it was last seen while nobody answers. */
const SHOWN: ReadonlySet<RouteName> = new Set<RouteName>([
  'visitor',
  'practice',
  'rounds',
  'batches',
  'batch',
  'shelf',
  'cellar',
  'recipes',
  'floats',
  'pictures',
]);
/** So long is waited for an answer before the last sight is shown, where there is one. */
const PATIENCE_MS = 6000;
const isUnanswered = (error: unknown): boolean =>
  error instanceof ApiFailure && (error.code === 'away' || error.code === 'database_away' || error.code === 'busy');

/** Asks by the table of routes; where nobody answers, gives what was last seen there. */
async function call<R extends RouteName>(name: R, sending: Sending<R> = {}): Promise<AnswerOf<R>> {
  const address = addressOf(name, sending);
  if (!SHOWN.has(name)) return ask(name, sending, address);
  try {
    const answer = await ask(name, { withinMs: PATIENCE_MS, ...sending }, address);
    void keepSeen(address, answer);
    return answer;
  } catch (error) {
    if (!isUnanswered(error)) throw error;
    const seen = await lastSeen(address);
    if (seen === undefined) return ask(name, sending, address);
    if (misfitOf(ROUTES[name].answer, seen) !== null) throw error;
    return seen as AnswerOf<R>;
  }
}

function addressOf<R extends RouteName>(name: R, { id, query, base = cellarBase }: Sending<R>): string {
  const { path } = ROUTES[name];
  return `${base}/api${id === undefined ? path : path.replace(':id', id)}${query === undefined ? '' : `?${new URLSearchParams(query).toString()}`}`;
}

/** What is no JSON is null: some other program answered. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return null;
  }
}

/** Asks by the table of routes, and holds the answer to it. */
async function ask<R extends RouteName>(name: R, { body, token, withinMs = 20_000 }: Sending<R>, address: string): Promise<AnswerOf<R>> {
  const { method, answer: shape } = ROUTES[name];
  let response: Response;
  let sent: string;
  try {
    response = await fetch(address, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(token === undefined ? {} : { authorization: `Bearer ${token}` }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(withinMs),
    });
    /** An answer that breaks off, since the page is left or the network goes, is none. */
    sent = await response.text();
  } catch {
    throw new ApiFailure('away', AWAY);
  }
  const answer = parsed(sent);
  if (response.ok) {
    const misfit = misfitOf(shape, answer);
    if (misfit !== null) throw new ApiFailure('internal', `${OTHER_PROGRAM} (${name} ${misfit.path.join('.')}: ${misfit.says})`);
    return answer as AnswerOf<R>;
  }
  const error = answer as ApiError | null;
  if (error?.code === undefined) throw new ApiFailure('away', AWAY);
  if (error.code === 'signed_out') {
    void forgetSeen();
    for (const listener of signedOut) listener();
  }
  throw new ApiFailure(error.code, error.message, error.since?.map(upcast), error.said);
}

const ofBatch = (id: string): { id: string; query: Record<string, string> } => ({ id, query: { ledger: 'false' } });

/** A batch with what was just written into it; as it was seen where others wrote between, which only the server can tell. */
function withEvents(seen: AnswerOf<'batch'>, { events, lastSeq }: AnswerOf<'append'>): AnswerOf<'batch'> {
  if (Math.min(...events.map(({ seq }) => seq)) > seen.lastSeq + 1) return seen;
  const known = new Set(seen.events.map(({ id }) => id));
  return { ...seen, lastSeq, events: [...seen.events, ...events.filter(({ id }) => !known.has(id))].sort((a, b) => a.seq - b.seq) };
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
  batches: (query: ListQuery) =>
    call('batches', {
      query: Object.fromEntries(Object.entries(query).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]]))),
    }),
  batch: (id: string) => read(call('batch', ofBatch(id))),
  createBatch: (id: string, name: string, plan: BatchPlan) => read(call('createBatch', { body: { id, name, plan } })),
  decide: (id: string, fate: Fate) => call('decide', { id, body: { fate } }),
  rename: (id: string, name: string) => read(call('rename', { id, body: { name } })),
  replan: (id: string, afterVersion: number, plan: BatchPlan) => read(call('replan', { id, body: { afterVersion, plan } })),
  split: (id: string, split: Split) => read(call('split', { id, body: split })),
  rejoin: (id: string, childId: string) => read(call('rejoin', { id, body: { childId } })),
  blend: (id: string, blend: Blend) => read(call('blend', { id, body: blend })),
  move: (id: string, move: Move) => read(call('move', { id, body: move })),
  append: async (id: string, afterSeq: number, events: NewEvent[]): Promise<AnswerOf<'append'>> => {
    const answer = await read(call('append', { id, body: { afterSeq, events } }));
    void amendSeen(addressOf('batch', ofBatch(id)), (seen) => withEvents(seen as AnswerOf<'batch'>, answer));
    return answer;
  },
  pictures: (batchId: string) => call('pictures', { id: batchId }),
  putPicture: (id: string, entryId: string, jpeg: string) => call('putPicture', { id, body: { entryId, jpeg } }),
  takeOffPicture: (id: string, isOff: boolean) => call('takeOffPicture', { id, body: { isOff } }),
  floats: () => call('floats'),
  makeFloat: (id: string, name: string, batchId: string) => call('makeFloat', { body: { id, name, batchId } }),
  hangFloat: (id: string, batchId: string | null) => call('hangFloat', { id, body: { batchId } }),
  removeFloat: (id: string) => call('removeFloat', { id }),
  postFloat: (token: string, post: FloatPost) => call('postFloat', { token, body: post }),
  calendar: () => call('calendar'),
  renewCalendar: () => call('renewCalendar'),
  closeCalendar: () => call('closeCalendar'),
  visitor: () => call('visitor', HOUSE),
  signIn: (passphrase: string, device: string) => call('signIn', { ...HOUSE, body: { passphrase, device } }),
  pair: (code: string, device: string) => call('pair', { ...HOUSE, body: { code, device } }),
  signOut: async (): Promise<void> => {
    await call('signOut', HOUSE);
    await forgetSeen();
  },
  doors: () => call('doors', HOUSE),
  setPassphrase: (passphrase: string) => call('setPassphrase', { ...HOUSE, body: { passphrase } }),
  makeCode: (role: Role) => call('makeCode', { ...HOUSE, body: { role } }),
  endSession: (id: string) => call('endSession', { ...HOUSE, id }),
  backups: () => call('backups', HOUSE),
  makeBackup: () => call('makeBackup', { ...HOUSE, withinMs: 300_000 }),
  importFile: (file: CellarFile, isTrial: boolean) => call('importFile', { body: { file, isTrial }, withinMs: 120_000 }),
  shelf: () => call('shelf'),
  putShelfItem: (item: ShelfItem, afterVersion: number) => call('putShelfItem', { id: item.id, body: { afterVersion, item } }),
  importShelf: (items: ShelfItem[]) => call('importShelf', { body: { items } }),
  removeShelfItem: (id: string) => call('removeShelfItem', { id }),
  cellar: () => call('cellar'),
  recipes: () => call('recipes'),
  putRecipe: (recipe: Recipe, afterVersion: number) => call('putRecipe', { id: recipe.id, body: { afterVersion, recipe } }),
  removeRecipe: (id: string) => call('removeRecipe', { id }),
};
