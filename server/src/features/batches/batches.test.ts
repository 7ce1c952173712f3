import { randomUUID } from 'node:crypto';
import type { ApiError, Batch, BatchList } from '@hollow-bell/contract';
import { fold, viewOf } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, happened, newBatch, pitched, plan, poured, testApp } from '../../test/server.ts';
import { HOUR_MS } from '@hollow-bell/core/quantities';

type Appended = { lastSeq: number; events: BatchEvent[] };

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

const append = <T = Appended>(id: string, afterSeq: number, events: object[]) =>
  app.call<T>('POST', `/batches/${id}/events`, { afterSeq, events });
const reading = (sg: number, hoursAgo = 1) => happened([hoursAgo, { kind: 'reading', payload: { sg, tempC: 20, calibrationC: 20 } }]);

describe('the record of a batch', () => {
  it('folds to the state that the server keeps with it', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    await append(id, 3, reading(1.05));
    const batch = (await app.call<Batch>('GET', `/batches/${id}`)).body;
    expect(batch.events.map((event) => event.seq)).toEqual([1, 2, 3, 4]);
    expect(batch.ledger).toEqual(JSON.parse(JSON.stringify(fold(batch.events))));
    const { batches } = (await app.call<BatchList>('GET', '/batches')).body;
    const line = batches.find((listed) => listed.id === id)!;
    expect(line).toMatchObject({ phase: 'active', lastSeq: 4, pitchedAt: batch.ledger.history.pitch!.at });
    expect([line.sg, line.volumeL]).toEqual([viewOf(batch.ledger)!.sg, viewOf(batch.ledger)!.volumeL]);
  });

  it('writes a repeated request once and answers it alike', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const events = reading(1.06);
    const first = await append(id, 3, events);
    const again = await append(id, 3, events);
    expect(again.status).toBe(200);
    expect(again.body).toEqual(first.body);
    expect((await app.call<Batch>('GET', `/batches/${id}`)).body.events).toHaveLength(4);
  });

  it('tells a writer who is behind what came since, and keeps nothing of theirs', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    await append(id, 3, reading(1.06));
    const stale = await append<ApiError>(id, 3, reading(1.02));
    expect(stale.status).toBe(409);
    expect(stale.body.code).toBe('stale');
    expect(stale.body.since).toMatchObject([{ kind: 'reading', payload: { sg: 1.06 }, seq: 4 }]);
    expect((await app.call<Batch>('GET', `/batches/${id}`)).body.events).toHaveLength(4);
  });

  it('takes turns when many write at once: one gets each place, none is half written', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        append(id, 3, [...reading(1.06 - i * 0.001), ...happened([1, { kind: 'note', payload: { text: `note ${i}` } }])]),
      ),
    );
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(11);
    expect((await app.call<Batch>('GET', `/batches/${id}`)).body.events.map((event) => event.seq)).toEqual([1, 2, 3, 4, 5]);
  });

  it('writes several events all or none', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const { status } = await append<ApiError>(id, 3, [
      ...reading(1.05),
      ...happened([1, { kind: 'removal', payload: { volumeL: 99, reason: 'spill' } }]),
    ]);
    expect(status).toBe(422);
    expect((await app.call<Batch>('GET', `/batches/${id}`)).body.events).toHaveLength(3);
  });

  it('keeps the old value when an entry is corrected', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const [event] = reading(1.05);
    await append(id, 3, [event!]);
    const correction = happened([
      0,
      {
        kind: 'amendment',
        payload: { eventId: event!.id, replacement: { kind: 'reading', payload: { sg: 1.06, tempC: 20 }, happenedAt: NOW - HOUR_MS } },
      },
    ]);
    expect((await append(id, 4, correction)).status).toBe(200);
    const batch = (await app.call<Batch>('GET', `/batches/${id}`)).body;
    expect(batch.events.filter((e) => e.kind === 'reading' || e.kind === 'amendment').map((e) => e.payload)).toMatchObject([
      { sg: 1.05 },
      { replacement: { payload: { sg: 1.06 } } },
    ]);
    expect(batch.ledger.history.readings.map((r) => r.readSg)).toEqual([1.06]);
  });

  it('cannot be changed or deleted, not even past the server', async () => {
    await newBatch(app, happened(...pitched));
    await expect(app.sequelize.query(`UPDATE batch_events SET kind = 'note'`)).rejects.toThrow(/append-only/);
    await expect(app.sequelize.query('DELETE FROM batch_events')).rejects.toThrow(/append-only/);
  });
});

describe('input that cannot be', () => {
  it.each([
    ['a reading in the future', happened([-5, { kind: 'reading', payload: { sg: 1.05 } }]), /future/],
    [
      'a reading before the pitch that the must cannot have shown',
      happened([99.5, { kind: 'reading', payload: { sg: 1.03 } }]),
      /before the yeast went in, when the must read about 1\.0/,
    ],
    ['a reading before anything was poured', happened([200, { kind: 'reading', payload: { sg: 1.09 } }]), /Nothing was poured/],
    ['racking more than there is', happened([1, { kind: 'rack', payload: { volumeL: 20 } }]), /only 5\.\d\d L/],
    [
      'correcting what is not on record',
      happened([0, { kind: 'amendment', payload: { eventId: randomUUID(), replacement: null } }]),
      /not on record/,
    ],
  ])('%s is refused with one sentence', async (_name, events, sentence) => {
    const { id } = await newBatch(app, happened(...pitched));
    const { status, body } = await append<ApiError>(id, 3, events);
    expect(status).toBe(422);
    expect(body.message).toMatch(sentence);
  });

  it('a reading of the unpitched must, written down late, is taken where the must can have shown it', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const { status } = await append(id, 3, reading(1.093, 99.5));
    expect(status).toBe(200);
  });

  it('pitching into nothing and feeding an empty vessel are refused', async () => {
    const { id } = await newBatch(app);
    expect(
      (await append<ApiError>(id, 0, happened([1, { kind: 'yeast', payload: { yeastId: 'ale', name: 'ale', massG: 3 } }]))).body.message,
    ).toMatch(/no must/);
    expect((await append<ApiError>(id, 0, happened([1, { kind: 'nutrient', payload: { source: 'dap', massG: 3 } }]))).body.message).toMatch(
      /empty/,
    );
  });

  it.each([
    ['a gravity off any scale', { kind: 'reading', payload: { sg: 1048 } }],
    ['an unknown kind', { kind: 'explosion', payload: {} }],
    ['a reading of nothing', { kind: 'reading', payload: {} }],
    ['a field that does not belong', { kind: 'water', payload: { volumeL: 1, sg: 1.1 } }],
  ])('%s never reaches the record', async (_name, content) => {
    const { id } = await newBatch(app, happened(...poured));
    const { status, body } = await append<ApiError>(id, 2, [{ ...content, id: randomUUID(), happenedAt: NOW }]);
    expect(status).toBe(400);
    expect(body).toMatchObject({ code: 'bad_input', requestId: expect.any(String) as string });
  });

  it('a batch that is not there, a name that is none, an address that leads nowhere', async () => {
    expect((await append<ApiError>(randomUUID(), 0, happened(...poured))).body.code).toBe('not_found');
    expect((await app.call<ApiError>('POST', '/batches', { id: randomUUID(), name: '  ', plan })).status).toBe(400);
    expect((await app.call<ApiError>('GET', '/nowhere')).body.code).toBe('not_found');
  });
});

describe('plans', () => {
  it('are kept in versions, and not written over unseen', async () => {
    const { id } = await newBatch(app);
    const thicker = { ...plan, must: { ...plan.must, waterL: 3.5 } };
    expect((await app.call<Batch>('PUT', `/batches/${id}/plan`, { afterVersion: 1, plan: thicker })).body.planVersion).toBe(2);
    expect((await app.call<ApiError>('PUT', `/batches/${id}/plan`, { afterVersion: 1, plan })).body.code).toBe('stale');
    expect((await app.call<Batch>('GET', `/batches/${id}`)).body.plan.must.waterL).toBe(3.5);
  });

  it('creating the same batch twice makes one', async () => {
    const body = { id: randomUUID(), name: 'Twice', plan };
    await app.call('POST', '/batches', body);
    await app.call('POST', '/batches', body);
    const { batches } = (await app.call<BatchList>('GET', '/batches')).body;
    expect(batches.filter(({ name }) => name === 'Twice')).toHaveLength(1);
  });
});

describe('what becomes of a batch', () => {
  const names = async (fate: string): Promise<string[]> =>
    (await app.call<BatchList>('GET', `/batches?fate=${fate}`)).body.batches.map(({ name }) => name);
  const standing = async (): Promise<string[]> =>
    (await app.call<{ standing: { name: string }[] }>('GET', '/rounds')).body.standing.map(({ name }) => name);

  it('put away or deleted it leaves Rounds and the book, and comes back whole', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    await app.call('PATCH', `/batches/${id}`, { name: 'Away and back' });
    for (const fate of ['archived', 'deleted']) {
      expect((await app.call('PUT', `/batches/${id}/fate`, { fate })).status).toBe(200);
      expect(await names('kept')).not.toContain('Away and back');
      expect(await names(fate)).toContain('Away and back');
      expect(await standing()).not.toContain('Away and back');
    }
    await app.call('PUT', `/batches/${id}/fate`, { fate: 'kept' });
    expect(await standing()).toContain('Away and back');
    expect((await app.call<Batch>('GET', `/batches/${id}`)).body.events).toHaveLength(pitched.length);
  });

  it.each([
    [23, 200],
    [25, 404],
  ])('deleted %d hours ago, asking for it answers %d', async (hours, status) => {
    const { id } = await newBatch(app, happened(...pitched));
    await app.call('PUT', `/batches/${id}/fate`, { fate: 'deleted' });
    await app.sequelize.query('UPDATE batches SET fated_at = to_timestamp($at) WHERE id = $id', {
      bind: { id, at: (NOW - hours * 3_600_000) / 1000 },
    });
    await names('deleted');
    expect((await app.call('GET', `/batches/${id}`)).status).toBe(status);
  });
});

describe('the book', () => {
  it('is leafed through page by page, newest first, each batch once, and found by a part of its name', async () => {
    const names = Array.from({ length: 130 }, (_, i) => `Leaf ${i} of 100% acacia_${i % 2}`);
    for (const name of names) await app.call('POST', '/batches', { id: randomUUID(), name, plan });
    const list = (query: Record<string, string>) => app.call<BatchList>('GET', `/batches?${new URLSearchParams(query).toString()}`);
    const first = (await list({ find: 'leaf' })).body;
    expect(first.batches).toHaveLength(100);
    expect(first.hasOlder).toBe(true);
    const second = (await list({ find: 'leaf', olderThan: first.batches.at(-1)!.id })).body;
    expect(second.hasOlder).toBe(false);
    expect([...first.batches, ...second.batches].map(({ name }) => name).sort()).toEqual(names.sort());
    expect((await list({ find: '00% acacia_1' })).body.batches).toHaveLength(65);
    expect((await list({ find: '0%acacia' })).body.batches).toHaveLength(0);
    expect((await list({ find: 'leaf', olderThan: 'nothing' })).status).toBe(400);
  });

  it('is found by honey, yeast, state and the year of the pitch', async () => {
    const list = async (query: Record<string, string>): Promise<string[]> =>
      (await app.call<BatchList>('GET', `/batches?${new URLSearchParams(query).toString()}`)).body.batches.map(({ id }) => id);
    const must = {
      ...plan.must,
      yeastId: 'sparkling',
      ingredients: plan.must.ingredients.map((line) => ({ ...line, name: 'Heather_50%' })),
    };
    const planned = randomUUID();
    await app.call('POST', '/batches', { id: planned, name: 'Sought, planned', plan: { ...plan, must } });
    const { id: standing } = await newBatch(app, happened(...pitched));
    expect(await list({ find: 'heather_50%' })).toEqual([planned]);
    expect(await list({ find: 'HeatherX50' })).toEqual([]);
    expect(await list({ find: 'cold-hardy' })).toEqual([planned]);
    expect(await list({ state: 'planned', find: 'sought' })).toEqual([planned]);
    expect(await list({ state: 'standing', find: 'sought' })).toEqual([]);
    expect(await list({ state: 'standing' })).toContain(standing);
    expect(await list({ state: 'standing' })).not.toContain(planned);
    expect(await list({ state: 'bottled' })).not.toContain(standing);
    const { ledger } = (await app.call<Batch>('GET', `/batches/${standing}`)).body;
    const { at } = ledger.history.pitch!;
    expect(await list({ begunFrom: String(at), begunBefore: String(at + 1) })).toContain(standing);
    expect(await list({ begunFrom: String(at + 1) })).not.toContain(standing);
    expect(await list({ begunBefore: String(at) })).not.toContain(standing);
    for (const wrong of [{ begunFrom: 'soon' }, { begunBefore: '' }, { state: 'lost' }])
      expect((await app.call('GET', `/batches?${new URLSearchParams(wrong as Record<string, string>).toString()}`)).status).toBe(400);
  });
});
