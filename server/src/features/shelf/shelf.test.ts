import { randomUUID } from 'node:crypto';
import type { ApiError, Batch, ShelfItem, Shelved } from '@hollow-bell/contract';
import { honeyComposition } from '@hollow-bell/core/ingredients';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { happened, newBatch, plan, testApp } from '../../test/server.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

const lot = (over: Partial<ShelfItem> = {}): ShelfItem => ({
  id: randomUUID(),
  name: 'linden avenue',
  stockG: 5000,
  pricePerKg: 11,
  expiresOn: null,
  note: '',
  putAway: false,
  detail: { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.171, 0.032), sugarSpread: 0 },
  ...over,
});
const put = <T = Shelved>(item: ShelfItem, afterVersion = 0) => app.call<T>('PUT', `/shelf/${item.id}`, { item, afterVersion });
const leftOf = async (id: string): Promise<number> => {
  const { items } = (await app.call<{ items: Shelved[] }>('GET', '/shelf')).body;
  const found = items.find(({ item }) => item.id === id)!;
  return found.item.stockG - found.takenG;
};
const pourFrom = (lotId: string, massG: number) =>
  happened([5, { kind: 'honey', payload: { name: 'linden', massG, moisture: 0.171, unfermentable: 0.032, lotId } }]);

describe('the shelf', () => {
  it('gives to a batch and gets back what is taken back', async () => {
    const item = lot();
    await put(item);
    const events = pourFrom(item.id, 1500);
    const { id } = await newBatch(app, events);
    expect(await leftOf(item.id)).toBe(3500);
    const undo = happened([1, { kind: 'amendment', payload: { eventId: events[0]!.id, replacement: null } }]);
    await app.call('POST', `/batches/${id}/events`, { afterSeq: 1, events: undo });
    expect(await leftOf(item.id)).toBe(5000);
  });

  it('does not write over what another window wrote', async () => {
    const item = lot();
    const first = (await put(item)).body;
    await put({ ...item, note: 'set hard' }, first.version);
    expect((await put({ ...item, note: 'sent twice' })).body.item.note).toBe('set hard');
    const late = await put<ApiError>({ ...item, note: 'runny' }, first.version);
    expect(late.status).toBe(409);
    expect(late.body.message).toMatch(/linden avenue was changed in another window/);
  });

  it('takes a lot that is sent again for the same lot, not for another window’s', async () => {
    const item = lot();
    await put(item);
    const changed = { ...item, stockG: 4200 };
    const first = await put(changed, 1);
    const again = await put(changed, 1);
    expect([again.status, again.body]).toEqual([200, first.body]);
  });

  it('refuses what cannot be, with a sentence', async () => {
    const wet = lot({
      detail: { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.4, 0.03), sugarSpread: 0 },
    });
    const refused = await put<ApiError>(wet);
    expect(refused.status).toBe(400);
    expect(refused.body.message).toMatch(/40\.0 % water is none; it must lie between 13 and 25 %/);
    expect((await put<ApiError>(lot({ stockG: -5 }))).body.message).toMatch(/cannot be less than nothing/);
  });

  it('does not throw out what a record or a plan names', async () => {
    const [poured, planned, idle] = [lot(), lot({ name: 'heather moor' }), lot({ name: 'borage field' })];
    for (const item of [poured, planned, idle]) await put(item);
    await newBatch(app, pourFrom(poured.id, 10));
    const must = planOf([{ ...plannedHoney('heather', 900), lotId: planned.id }], 3);
    await app.call<Batch>('POST', '/batches', { id: randomUUID(), name: 'Heather', plan: { ...plan, must } });
    const refused = await app.call<ApiError>('DELETE', `/shelf/${poured.id}`);
    expect(refused.status).toBe(422);
    expect(refused.body.message).toMatch(/belongs to the record of “Linden”.*put it away instead/);
    expect((await app.call<ApiError>('DELETE', `/shelf/${planned.id}`)).body.message).toMatch(/“Heather”/);
    expect((await app.call('DELETE', `/shelf/${idle.id}`)).status).toBe(200);
  });

  it('imports all rows or none', async () => {
    const before = (await app.call<{ items: Shelved[] }>('GET', '/shelf')).body.items.length;
    const bad = await app.call<ApiError>('POST', '/shelf/import', { items: [lot(), lot({ name: '  ' }), lot()] });
    expect(bad.status).toBe(400);
    expect((await app.call<{ items: Shelved[] }>('GET', '/shelf')).body.items).toHaveLength(before);
    await app.call('POST', '/shelf/import', { items: [lot(), lot()] });
    expect((await app.call<{ items: Shelved[] }>('GET', '/shelf')).body.items).toHaveLength(before + 2);
  });
});
