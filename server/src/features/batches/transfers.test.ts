import { randomUUID } from 'node:crypto';
import type { AnswerOf, ApiError, Batch } from '@hollow-bell/contract';
import { DISSOLVED, standsIn, viewOf } from '@hollow-bell/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, happened, newBatch, pitched, plan, poured, testApp } from '../../test/server.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

const read = async (id: string): Promise<Batch> => (await app.call<Batch>('GET', `/batches/${id}`)).body;
const jug = plan.must.vessel;
const child = (name: string, volumeL: number) => ({ id: randomUUID(), name, volumeL, vessel: jug });

describe('liquid moved between batches', () => {
  it('goes on in a child: a reading above what it stood at is written, and answered with how it stands', async () => {
    const { id } = await newBatch(app, happened(...pitched, [40, { kind: 'reading', payload: { sg: 1.01 } }]));
    const into = child('Linden, second jug', 1.5);
    await app.call('POST', `/batches/${id}/split`, { afterSeq: 4, happenedAt: NOW, children: [into] });
    const events = happened([0, { kind: 'reading', payload: { sg: 1.012, tempC: 20 } }]);
    const { status, body } = await app.call<AnswerOf<'append'>>('POST', `/batches/${into.id}/events`, { afterSeq: 1, events });
    expect(status).toBe(200);
    expect(body.standing).toMatchObject({ id: into.id, name: 'Linden, second jug' });
    expect(body.standing!.sg).toBeCloseTo(1.012, 6);
  });

  it('is split into children that inherit the ledger, no gram lost', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const before = await read(id);
    const children = [child('Linden with cherries', 1.5), child('Linden, plain', 2)];
    const split = { afterSeq: 3, happenedAt: NOW, children };
    const parent = (await app.call<Batch>('POST', `/batches/${id}/split`, split)).body;
    const born = await Promise.all(children.map((each) => read(each.id)));
    for (const field of DISSOLVED) {
      const sum = parent.ledger.liquid[field] + born.reduce((total, { ledger }) => total + ledger.liquid[field], 0);
      expect(sum, field).toBeCloseTo(before.ledger.liquid[field], 6);
    }
    expect(viewOf(born[0]!.ledger)!.volumeL).toBeCloseTo(1.5, 6);
    expect(born[0]!.ledger.history.pitch?.at).toBe(before.ledger.history.pitch?.at);
    expect(born[0]!.name).toBe('Linden with cherries');
    const again = (await app.call<Batch>('POST', `/batches/${id}/split`, split)).body;
    expect(again.lastSeq).toBe(parent.lastSeq);
  });

  it('is blended, written in both records, once', async () => {
    const target = await newBatch(app, happened(...poured));
    const source = await newBatch(app, happened(...pitched));
    const blend = { afterSeq: 2, happenedAt: NOW, fromId: source.id, volumeL: 1, transferId: randomUUID() };
    const first = (await app.call<Batch>('POST', `/batches/${target.id}/blend`, blend)).body;
    expect(first.lastSeq).toBe(3);
    expect((await app.call<Batch>('POST', `/batches/${target.id}/blend`, blend)).body.lastSeq).toBe(3);
    expect((await read(source.id)).ledger.history.transfers).toMatchObject([{ direction: 'out', batchId: target.id, volumeL: 1 }]);
    expect(viewOf((await read(source.id)).ledger)!.volumeL).toBeCloseTo(viewOf((await read(target.id)).ledger)!.volumeL - 2, 1);
  });

  it.each<[string, object, number, RegExp]>([
    ['more than there is', { volumeL: 50 }, 422, /cannot be taken over: there is/],
    ['a past that others have written on', { happenedAt: NOW - 1e10 }, 422, /moved as they are now/],
    ['the future', { happenedAt: NOW + 1e9 }, 422, /future/],
    ['a stale window', { afterSeq: 1 }, 409, /another window/],
  ])('is refused for %s, and nothing is written', async (_name, over, status, sentence) => {
    const target = await newBatch(app, happened(...poured));
    const source = await newBatch(app, happened(...pitched));
    const blend = { afterSeq: 2, happenedAt: NOW, fromId: source.id, volumeL: 1, transferId: randomUUID(), ...over };
    const refused = await app.call<ApiError>('POST', `/batches/${target.id}/blend`, blend);
    expect(refused.status).toBe(status);
    expect(refused.body.message).toMatch(sentence);
    expect((await read(source.id)).lastSeq).toBe(3);
    expect((await read(target.id)).lastSeq).toBe(2);
  });

  it('cannot be invented or taken back by hand', async () => {
    const { id } = await newBatch(app, happened(...pitched));
    const forged = happened([1, { kind: 'transferOut', payload: { toBatchId: randomUUID(), toName: 'x', volumeL: 1 } }]);
    const refused = await app.call<ApiError>('POST', `/batches/${id}/events`, { afterSeq: 3, events: forged });
    expect(refused.body.message).toMatch(/only by a split or a blend/);
    const parent = (await app.call<Batch>('POST', `/batches/${id}/split`, { afterSeq: 3, happenedAt: NOW, children: [child('a', 1)] }))
      .body;
    const out = parent.events.find(({ kind }) => kind === 'transferOut')!;
    const undo = happened([0, { kind: 'amendment', payload: { eventId: out.id, replacement: null } }]);
    const stays = await app.call<ApiError>('POST', `/batches/${id}/events`, { afterSeq: 4, events: undo });
    expect(stays.body.message).toMatch(/stays poured/);
  });
});

describe('a split taken back', () => {
  const split = async (...children: ReturnType<typeof child>[]) => {
    const { id } = await newBatch(app, happened(...pitched));
    const before = await read(id);
    await app.call('POST', `/batches/${id}/split`, { afterSeq: 3, happenedAt: NOW, children });
    return { id, before };
  };
  const rejoin = (id: string, childId: string) => app.call<Batch & ApiError>('POST', `/batches/${id}/rejoin`, { childId });

  it('is as if it had never been, each of several, and once only', async () => {
    const children = [child('One', 1), child('Another', 1.5)] as const;
    const { id, before } = await split(...children);
    expect((await read(children[0].id)).ledger.history.transfers[0]!.beside).toEqual([{ batchId: children[1].id, name: 'Another' }]);
    for (const { id: childId } of children) expect((await rejoin(id, childId)).status).toBe(200);
    const after = await read(id);
    for (const field of DISSOLVED) expect(after.ledger.liquid[field], field).toBeCloseTo(before.ledger.liquid[field], 9);
    expect(after.ledger.history.transfers).toEqual([]);
    expect((await app.call('GET', `/batches/${children[0].id}`)).status).toBe(404);
    expect((await rejoin(id, children[0].id)).status).toBe(404);
    const takenBack = after.events.findLast((event) => event.kind === 'amendment')!;
    const broughtBack = happened([0, { kind: 'amendment', payload: { eventId: takenBack.id, replacement: null } }]);
    const again = await app.call<ApiError>('POST', `/batches/${id}/events`, { afterSeq: after.lastSeq, events: broughtBack });
    expect([again.status, again.body.message], 'its mead would be gone').toEqual([422, expect.stringMatching(/stays poured/)]);
  });

  it.each(['in the parent', 'in the child'])('is refused once something was written %s', async (where) => {
    const one = child('One', 1);
    const { id } = await split(one);
    const to = where === 'in the parent' ? { id, afterSeq: 4 } : { id: one.id, afterSeq: 1 };
    const events = happened([0, { kind: 'note', payload: { text: 'tasted' } }]);
    expect((await app.call('POST', `/batches/${to.id}/events`, { afterSeq: to.afterSeq, events })).status).toBe(200);
    const { status, body } = await rejoin(id, one.id);
    expect([status, body.message]).toEqual([422, expect.stringMatching(/stays split/)]);
    expect(viewOf((await read(one.id)).ledger)!.volumeL).toBeCloseTo(1, 6);
  });

  it('one of two jugs goes its own way as it stands, and leaves the other full', async () => {
    const jugOf = (name: string) => ({ ...jug, name, capacityL: 3 });
    const { id } = await newBatch(app, happened(...pitched));
    const presentL = viewOf((await read(id)).ledger)!.volumeL;
    const into = [jugOf('left'), jugOf('right')].map((vessel) => ({ vessel, volumeL: presentL / 2 }));
    const racked = happened([0, { kind: 'rack', payload: { volumeL: presentL, into } }]);
    await app.call('POST', `/batches/${id}/events`, { afterSeq: 3, events: racked });
    const goes = { ...child('Right', presentL / 2), vessel: jugOf('right'), asItStands: true };
    const { body } = await app.call<Batch>('POST', `/batches/${id}/split`, { afterSeq: 4, happenedAt: NOW, children: [goes] });
    const stands = standsIn(body.ledger, jug);
    expect(stands.map(({ vessel }) => vessel.name)).toEqual(['left']);
    expect(stands[0]!.volumeL).toBeCloseTo(presentL / 2, 2);
  });
});
