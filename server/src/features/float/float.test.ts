import { randomUUID } from 'node:crypto';
import type { ApiError, Batch, FloatAnswer, FloatDevice, MadeFloat, Standing } from '@hollow-bell/contract';
import { FLOAT_SLOT_MS } from '@hollow-bell/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, happened, newBatch, pitched, testApp } from '../../test/server.ts';
import { HOUR_MS } from '@hollow-bell/core/quantities';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

const hung = async (): Promise<{ batchId: string; floatId: string; token: string }> => {
  const { id: batchId } = await newBatch(app, happened(...pitched));
  const { body } = await app.call<MadeFloat>('POST', '/floats', { id: randomUUID(), name: 'Float', batchId });
  return { batchId, floatId: body.float.id, token: body.token };
};
const post = <T = FloatAnswer>(token: string, readings: object[]) =>
  app.call<T>('POST', '/float', { readings }, { authorization: `Bearer ${token}` });
const read = async (id: string): Promise<Batch> => (await app.call<Batch>('GET', `/batches/${id}`)).body;
const falling = (hours: number): object[] =>
  Array.from({ length: 2 * hours }, (_, i) => ({ at: NOW - (hours - i / 2) * HOUR_MS, sg: 1.1 - 0.0002 * i, tempC: 20 }));

describe('a float that posts', () => {
  it('is kept as it came, once, and followed by the ledger and on Rounds', async () => {
    const { batchId, token } = await hung();
    const first = await post(token, falling(48));
    expect(first.body).toEqual({ kept: 96, repeated: 0, keptBack: 0, refused: [] });
    expect((await post(token, falling(48))).body).toEqual({ kept: 0, repeated: 96, keptBack: 0, refused: [] });
    const batch = await read(batchId);
    expect(batch.float).toHaveLength(96);
    expect(batch.float[0]).toEqual([NOW - 48 * HOUR_MS, 1.1, 20]);
    expect(batch.lastSeq).toBe(3);
    expect(batch.ledger.history.readings.map(({ instrument }) => instrument)).toContain('float');
    const { standing } = (await app.call<{ standing: Standing[] }>('GET', '/rounds')).body;
    expect(standing.find(({ id }) => id === batchId)!.sg).toBeCloseTo(batch.ledger.history.readings.at(-1)!.sg, 4);
  });

  it('does not stand in the way of a maker who writes meanwhile', async () => {
    const { batchId, token } = await hung();
    await post(token, falling(24));
    const mine = happened([1, { kind: 'reading', payload: { sg: 1.09 } }]);
    expect((await app.call('POST', `/batches/${batchId}/events`, { afterSeq: 3, events: mine })).status).toBe(200);
    expect((await read(batchId)).float).toHaveLength(48);
  });

  it('gone mad keeps one reading in five minutes and counts the rest', async () => {
    const { batchId, token } = await hung();
    const start = Math.ceil((NOW - 2 * HOUR_MS) / FLOAT_SLOT_MS) * FLOAT_SLOT_MS;
    const mad = Array.from({ length: 500 }, (_, i) => ({ at: start + i * 3600, sg: 1.05 }));
    const { body } = await post(token, mad);
    expect(body.kept).toBe(6);
    expect(body.keptBack).toBe(494);
    const { floats } = (await app.call<{ floats: FloatDevice[] }>('GET', '/floats')).body;
    expect(floats.find((float) => float.batchId === batchId)).toMatchObject({ keptBack: 494, lastSeenAt: NOW });
  });

  it('is told which of its readings cannot be, and keeps the others', async () => {
    const { token } = await hung();
    const at = NOW - HOUR_MS;
    const { body } = await post(token, [
      { at, sg: 1048 },
      { at: at + FLOAT_SLOT_MS, sg: 1.048, tempC: 68 },
      { at: NOW + HOUR_MS, sg: 1.048 },
      { at: new Date(at + 2 * FLOAT_SLOT_MS).toISOString(), sg: 1.047, tempC: 19 },
      { sg: 1.046 },
    ]);
    expect(body.kept).toBe(2);
    expect(body.refused.map(({ index }) => index)).toEqual([0, 1, 2]);
    expect(body.refused.map(({ message }) => message).join(' ')).toMatch(/no specific gravity.*degrees Celsius.*future/);
  });

  it('beside a probe that posts of a heated mead: one reading a minute, judged with the record, and gone with it', async () => {
    const { batchId, token } = await hung();
    const start = Math.floor((NOW - HOUR_MS) / 60_000) * 60_000;
    const pot = Array.from({ length: 25 }, (_, i) => ({ at: start + i * 60_000, coreC: 61, bathC: 64 }));
    const { body } = await post(token, [...pot, { at: start + 1000, coreC: 61 }, { at: start, coreC: 142 }, { at: start }]);
    expect(body).toMatchObject({ kept: 25, keptBack: 1 });
    expect(body.refused.map(({ message }) => message).join(' ')).toMatch(/meant in °F.*a probe sends “coreC”/);
    expect((await post(token, pot)).body).toMatchObject({ kept: 0, repeated: 25 });
    const batch = await read(batchId);
    expect(batch.probe).toHaveLength(25);
    expect(batch.probe[0]).toEqual([start, 61, 64]);
    expect(batch.float).toEqual([]);
    expect(batch.ledger.history.guarded).toMatchObject({ by: 'heat' });
  });

  it.each([
    ['no token', '', 401, /sends its token/],
    ['a foreign token', 'nobody', 401, /No float has this token/],
  ])('is refused with %s', async (_name, token, status, sentence) => {
    const answer = await post<ApiError>(token, [{ sg: 1.05 }]);
    expect(answer.status).toBe(status);
    expect(answer.body.message).toMatch(sentence);
  });

  it('taken out of its batch is told so; forgotten, its token is worth nothing, and its readings stay', async () => {
    const { batchId, floatId, token } = await hung();
    await post(token, falling(10));
    await app.call('PATCH', `/floats/${floatId}`, { batchId: null });
    expect((await post<ApiError>(token, [{ sg: 1.05 }])).body.message).toMatch(/hangs in no batch/);
    await app.call('DELETE', `/floats/${floatId}`);
    expect((await post<ApiError>(token, [{ sg: 1.05 }])).status).toBe(401);
    expect((await read(batchId)).float).toHaveLength(20);
  });

  it('is held off when it posts too often, others are not', async () => {
    const [mad, calm] = [await hung(), await hung()];
    const answers = [];
    for (let i = 0; i < 40; i++) answers.push((await post(mad.token, [{ sg: 1.05 }])).status);
    expect(answers.filter((status) => status === 429)).toHaveLength(10);
    expect((await post(calm.token, [{ sg: 1.05 }])).status).toBe(200);
  });
});

describe('a reading in the wrong batch', () => {
  it('is moved to the right one at its own time, once, and both records say so', async () => {
    const [wrong, right] = [await newBatch(app, happened(...pitched)), await newBatch(app, happened(...pitched))];
    const [reading] = happened([5, { kind: 'reading', payload: { sg: 1.05 } }]);
    await app.call('POST', `/batches/${wrong.id}/events`, { afterSeq: 3, events: [reading] });
    const move = { afterSeq: 4, eventId: reading!.id, toId: right.id };
    const after = (await app.call<Batch>('POST', `/batches/${wrong.id}/move`, move)).body;
    expect(after.ledger.history.readings).toHaveLength(0);
    expect(after.events.at(-1)).toMatchObject({ kind: 'amendment', payload: { eventId: reading!.id, replacement: null } });
    expect((await read(right.id)).ledger.history.readings).toMatchObject([
      { at: reading!.happenedAt, sg: expect.closeTo(1.05, 3) as number },
    ]);
    expect((await app.call<Batch>('POST', `/batches/${wrong.id}/move`, move)).body.lastSeq).toBe(5);
    expect((await read(right.id)).lastSeq).toBe(4);
  });

  it('stays where it is when the other batch cannot have read it', async () => {
    const [wrong, empty] = [await newBatch(app, happened(...pitched)), await newBatch(app)];
    const [reading] = happened([5, { kind: 'reading', payload: { sg: 1.05 } }]);
    await app.call('POST', `/batches/${wrong.id}/events`, { afterSeq: 3, events: [reading] });
    const refused = await app.call<ApiError>('POST', `/batches/${wrong.id}/move`, { afterSeq: 4, eventId: reading!.id, toId: empty.id });
    expect(refused.status).toBe(422);
    expect((await read(wrong.id)).ledger.history.readings).toHaveLength(1);
  });
});

describe('Rounds', () => {
  it('follow what is written at once, and the clock after a while', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const standing = async (): Promise<Standing> =>
      (await app.call<{ standing: Standing[] }>('GET', '/rounds')).body.standing.find((vessel) => vessel.id === id)!;
    const before = await standing();
    const overdue = before.asks.find(({ key }) => key.startsWith('reading'))!;
    expect(overdue.bell).toBe('swinging');
    const put = happened([0, { kind: 'putOff', payload: { ask: overdue.key, told: 'a reading', reason: 'away' } }]);
    await app.call('POST', `/batches/${id}/events`, { afterSeq: 3, events: put });
    expect((await standing()).asks.map(({ key }) => key)).not.toContain(overdue.key);
    await app.call('PATCH', `/batches/${id}`, { name: 'Renamed' });
    expect((await standing()).name).toBe('Renamed');
  });
});
