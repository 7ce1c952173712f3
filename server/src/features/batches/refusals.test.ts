import { randomUUID } from 'node:crypto';
import type { ApiError, Batch, BatchList, Standing } from '@hollow-bell/contract';
import { LEDGER_VERSION } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { happened, newBatch, pitched, plan, testApp } from '../../test/server.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

const append = <T = Batch>(id: string, afterSeq: number, events: object[]) =>
  app.call<T>('POST', `/batches/${id}/events`, { afterSeq, events });
const sg = (value: number): EventContent => ({ kind: 'reading', payload: { sg: value, tempC: 20, calibrationC: 20 } });
const bottles = (count: number): EventContent => ({ kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count }] } });
const record = async (id: string) => (await app.call<Batch>('GET', `/batches/${id}`)).body;
const rounds = async () => (await app.call<{ standing: Standing[] }>('GET', '/rounds')).body.standing;

describe('closed glass', () => {
  it.each<[string, object[], (ids: string[]) => object[]]>([
    ['a mead that falls', happened([3, sg(1.05)], [2, sg(1.046)]), () => happened([1, bottles(4)])],
    [
      'a mead that falls, by a note that is corrected into bottles',
      happened([3, sg(1.05)], [2, { kind: 'note', payload: { text: 'rain' } }]),
      ([, noteId]) =>
        happened([
          1,
          {
            kind: 'amendment',
            payload: { eventId: noteId!, replacement: { ...bottles(4), happenedAt: happened([2, bottles(4)])[0]!.happenedAt } as never },
          },
        ]),
    ],
    ['a mead that was fed honey in the same parcel', happened([3, sg(1.05)]), () => happened([1, pitched[0]![1]], [0.5, bottles(4)])],
  ])('takes %s into bottles, whoever tells the server, and rings', async (_name, before, then) => {
    const { id } = await newBatch(app, happened(...pitched));
    await append(id, 3, before);
    const kept = await record(id);
    const answer = await append(id, kept.lastSeq, then(before.map((event) => (event as { id: string }).id)));
    expect(answer.status).toBe(200);
    const standing = (await rounds()).find((each) => each.id === id);
    expect(standing).toMatchObject({ phase: 'glass in doubt' });
    expect(standing!.asks[0]!.bell).toBe('cracked');
    await app.call('PUT', `/batches/${id}/fate`, { fate: 'archived' });
    expect(
      (await rounds()).find((each) => each.id === id),
      'put away or not',
    ).toMatchObject({ phase: 'glass in doubt' });
    const { lastSeq } = await record(id);
    await append(id, lastSeq, happened([0.1, { kind: 'note', payload: { text: 'let the gas out', mark: 'vented' } }]));
    expect((await rounds()).find((each) => each.id === id)).toBeUndefined();
  });
});

describe('an id that names nothing', () => {
  it('is stopped at the door', async () => {
    const { id } = await newBatch(app, happened(...pitched.slice(0, 2)));
    const answer = await append<ApiError>(id, 2, happened([1, { kind: 'yeast', payload: { yeastId: 'unheard-of', name: 'x', massG: 3 } }]));
    expect(answer.status).toBe(400);
    expect((await record(id)).events).toHaveLength(2);
    const made = await app.call<ApiError>('POST', '/batches', {
      id: randomUUID(),
      name: 'x',
      plan: { ...plan, must: { ...plan.must, yeastId: 'unheard-of' } },
    });
    expect(made.status).toBe(400);
  });
});

describe('a record that cannot be reckoned', () => {
  it('says so on its own row, costs no other, and can be put right', async () => {
    const well = await newBatch(app, happened(...pitched));
    const ill = await newBatch(app, happened(...pitched));
    const yeastId = (await record(ill.id)).events[2]!.id;
    await app.sequelize.query('ALTER TABLE batch_events DISABLE TRIGGER USER');
    await app.sequelize.query(`UPDATE batch_events SET payload = jsonb_set(payload, '{yeastId}', '"unheard-of"') WHERE id = $id`, {
      bind: { id: yeastId },
    });
    await app.sequelize.query('ALTER TABLE batch_events ENABLE TRIGGER USER');
    await app.sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger, '{history,pitch,yeastId}', '"unheard-of"') WHERE id = $id`, {
      bind: { id: ill.id },
    });
    const standing = await rounds();
    expect(standing.find(({ id }) => id === ill.id)).toMatchObject({ phase: 'unreckoned' });
    expect(standing.find(({ id }) => id === well.id)).toMatchObject({ phase: 'unread' });
    const listed = (await app.call<BatchList>('GET', '/batches')).body.batches;
    expect(listed.find(({ id }) => id === ill.id)).toMatchObject({ phase: 'unreckoned' });
    expect(listed.find(({ id }) => id === well.id)!.phase).toBe('unread');
    const { token } = (await app.call<{ token: string }>('PUT', '/calendar')).body;
    const file = await app.app.inject({ method: 'GET', url: `/api/calendar/${token}.ics`, headers: { host: 'localhost' } });
    expect(file.statusCode).toBe(200);
    expect(file.body).toContain('BEGIN:VCALENDAR');
    const log = await record(ill.id);
    expect(log.events).toHaveLength(3);
    const back = await append(ill.id, 3, happened([1, { kind: 'amendment', payload: { eventId: yeastId, replacement: null } }]));
    expect(back.status).toBe(200);
    expect((await rounds()).find(({ id }) => id === ill.id)).toMatchObject({ phase: 'mixed' });
  });
});

describe('records folded by other rules', () => {
  it('are folded again at the start, once, and the record stays as it was', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const before = await record(id);
    await app.sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger #- '{liquid,guardSo2Mg}', '{version}', '1') WHERE id = $id`, {
      bind: { id },
    });
    expect((await app.cellar.batches.refoldOlder()).folded).toBe(1);
    expect((await app.cellar.batches.refoldOlder()).folded).toBe(0);
    const after = await record(id);
    expect(after).toEqual(before);
    expect(after.ledger.version).toBe(LEDGER_VERSION);
  });
});

describe('a write that is sent again because its answer was lost', () => {
  it('is not told as another window’s', async () => {
    const { id } = await newBatch(app);
    const thicker = { ...plan, must: { ...plan.must, waterL: 3.5 } };
    const put = () => app.call<Batch>('PUT', `/batches/${id}/plan`, { afterVersion: 1, plan: thicker });
    expect((await put()).body.planVersion).toBe(2);
    const again = await put();
    expect([again.status, again.body.planVersion]).toEqual([200, 2]);
  });
});
