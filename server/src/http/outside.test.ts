import { randomUUID } from 'node:crypto';
import type { ApiError, Batch, Shelved } from '@hollow-bell/contract';
import { honeyComposition } from '@hollow-bell/core/ingredients';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { happened, newBatch, pitched, plan, testApp } from '../test/server.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

const note = (text: string) => ({ id: randomUUID(), happenedAt: happened([1, { kind: 'note', payload: { text } }])[0]!.happenedAt });
const append = <T = ApiError>(id: string, afterSeq: number, events: object[]) =>
  app.call<T>('POST', `/batches/${id}/events`, { afterSeq, events });
const lot = (id: string, name: string) => ({
  id,
  name,
  stockG: 5000,
  pricePerKg: null,
  expiresOn: null,
  note: '',
  putAway: false,
  detail: { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.171, 0.032), sugarSpread: 0 },
});

describe('a request from elsewhere', () => {
  it.each(['null', 'http://', 'http://[', 'javascript:1', '%00', 'http://evil.example', ''])(
    'is refused where its page calls itself “%s”',
    async (origin) => {
      const answer = await app.call<ApiError>('POST', '/batches', { id: randomUUID(), name: 'X', plan }, { origin });
      expect(answer.status).toBe(403);
      expect(answer.body.code).toBe('not_allowed');
    },
  );

  it('is refused in plain words where it is no JSON, or far too much of it', async () => {
    const send = (payload: string, type = 'application/json') =>
      app.app.inject({ method: 'POST', url: '/api/batches', payload, headers: { host: 'localhost', 'content-type': type } });
    expect((await send('{"id":')).json<ApiError>().message).toBe('What was sent is no JSON.');
    expect((await send('x', 'text/plain')).json<ApiError>().message).toMatch(/JSON is wanted/);
    expect((await send(`"${'x'.repeat(300_000)}"`)).statusCode).toBe(413);
    expect((await send('{"__proto__": {"a": 1}}')).statusCode).toBe(400);
  });
});

describe('text that no database keeps', () => {
  it.each([
    ['a nothing', 'foam\0'],
    ['half a letter', 'foam \uD83C'],
    ['the other half', '\uDF6F foam'],
  ])('%s in it is refused by the name of its field, wherever it stands', async (_, text) => {
    const { id } = await newBatch(app, happened(...pitched));
    const inNote = await append(id, 3, [{ ...note(''), kind: 'note', payload: { text } }]);
    expect([inNote.status, inNote.body.message]).toEqual([400, expect.stringMatching(/^Entry 1, text: A sign in it cannot be kept/)]);
    const inName = await app.call<ApiError>('POST', '/batches', { id: randomUUID(), name: text, plan });
    expect([inName.status, inName.body.message]).toEqual([400, expect.stringMatching(/^Name: A sign/)]);
    const search = await app.call<ApiError>('GET', `/batches?find=${encodeURIComponent(text.replace(/[\uD800-\uDFFF]/gu, ''))}`);
    expect([200, 400]).toContain(search.status);
    const asKey = await append(id, 3, [{ ...note(''), kind: 'note', payload: { text: 'x', [text]: 1 } }]);
    expect(asKey.status).toBe(400);
  });

  it('is kept where it only looks odd', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const text = 'Sprudelt! 🍯 \u200D ‮ \u0007 بخير';
    expect((await append(id, 3, [{ ...note(''), kind: 'note', payload: { text } }])).status).toBe(200);
    const { events } = (await app.call<Batch>('GET', `/batches/${id}`)).body;
    expect(events.at(-1)).toMatchObject({ payload: { text } });
  });
});

describe('all that is wrong', () => {
  it('is said at once, in the words of a form and none of a library’s', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const wrong = [
      { ...note(''), id: 'x', kind: 'water', payload: { volumeL: 'four' } },
      { ...note(''), kind: 'honey', payload: { name: '', massG: -1, moisture: 0.17, unfermentable: 0.03, color: 'gold' } },
      { ...note(''), kind: 'moonrise', payload: {} },
    ];
    const { status, body } = await append(id, 3, wrong);
    expect(status).toBe(400);
    expect(body.faults!.map(({ field }) => field).toSorted()).toEqual(
      [
        'events/0/id',
        'events/0/payload/volumeL',
        'events/1/payload',
        'events/1/payload/massG',
        'events/1/payload/name',
        'events/2/kind',
      ].toSorted(),
    );
    expect(body.message).toContain('Entry 1, volume in liters: A number is wanted.');
    expect(body.message).toContain('“color” is nothing that belongs here; leave it out.');
    expect(body.message).not.toMatch(/invalid|expected|too_small|undefined|NaN/i);
  });

  it('is counted where it is too much to be spelled out', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const { body } = await append(
      id,
      3,
      Array.from({ length: 60 }, () => ({ ...note(''), kind: 'note', payload: { text: '' } })),
    );
    expect(body.message).toMatch(/ And 52 more\.$/);
    expect(body.faults).toHaveLength(60);
  });
});

describe('an id that is taken', () => {
  it('twice in one parcel, or by another batch, is refused as such, and writes nothing', async () => {
    const [one, other] = [await newBatch(app, happened(...pitched)), await newBatch(app, happened(...pitched))];
    const twice = { ...note(''), kind: 'note', payload: { text: 'twice' } };
    const inOne = await append(one.id, 3, [twice, twice]);
    expect([inOne.status, inOne.body.code]).toEqual([409, 'id_taken']);
    expect((await append(one.id, 3, [twice])).status).toBe(200);
    const inOther = await append(other.id, 3, [twice]);
    expect([inOther.status, inOther.body.code]).toEqual([409, 'id_taken']);
    expect((await app.call<Batch>('GET', `/batches/${other.id}`)).body.events).toHaveLength(3);
  });
});

describe('a float', () => {
  it('is hung into no batch that is not there', async () => {
    const made = await app.call<ApiError>('POST', '/floats', { id: randomUUID(), name: 'bob', batchId: randomUUID() });
    expect([made.status, made.body.message]).toEqual([404, expect.stringMatching(/no such batch/)]);
    const { id: batchId } = await newBatch(app);
    const id = randomUUID();
    expect((await app.call('POST', '/floats', { id, name: 'bob', batchId })).status).toBe(200);
    expect((await app.call('PATCH', `/floats/${id}`, { batchId: randomUUID() })).status).toBe(404);
  });
});

describe('many at once', () => {
  it('who make the same new lot find one lot', async () => {
    const id = randomUUID();
    const answers = await Promise.all(
      Array.from({ length: 20 }, () => app.call<Shelved>('PUT', `/shelf/${id}`, { item: lot(id, 'linden'), afterVersion: 0 })),
    );
    expect(answers.map(({ status, body }) => [status, body.version])).toEqual(answers.map(() => [200, 1]));
  });

  it('who bring the same lots in two orders do not wait for each other', async () => {
    const [a, b] = [lot(randomUUID(), 'a'), lot(randomUUID(), 'b')];
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) => app.call('POST', '/shelf/import', { items: i % 2 === 0 ? [a, b] : [b, a] })),
    );
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 200));
  });

  it('who save the same new recipe find one recipe', async () => {
    const id = randomUUID();
    const recipe = { id, name: 'plain', tags: [], note: '', must: plan.must, fromBatch: null };
    const answers = await Promise.all(
      Array.from({ length: 12 }, () => app.call<{ version: number }>('PUT', `/recipes/${id}`, { recipe, afterVersion: 0 })),
    );
    expect(answers.map(({ status, body }) => [status, body.version])).toEqual(answers.map(() => [200, 1]));
  });
});
