import type { Batch, KeptRecipe, Recipe, Standing, ShelvedBatch } from '@hollow-bell/contract';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, plan, testApp } from '../../test/server.ts';
import { loadDemoCellar } from '../demo/load.ts';

type App = Awaited<ReturnType<typeof testApp>>;
let app: App;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

describe('the Cellar', () => {
  it('is empty before anything is bottled', async () => {
    expect((await app.call<{ shelves: ShelvedBatch[] }>('GET', '/cellar')).body.shelves).toEqual([]);
  });

  it('holds every bottled batch of the demo with what went in, its window, its words and its cost', async () => {
    await loadDemoCellar(app.cellar);
    const { shelves } = (await app.call<{ shelves: ShelvedBatch[] }>('GET', '/cellar')).body;
    expect(shelves.length).toBeGreaterThanOrEqual(6);
    for (const { name, shelf, cost, style } of shelves) {
      expect(shelf.stands, name).toHaveLength(shelf.filled);
      expect(shelf.window.drinkBy, name).toBeGreaterThan(shelf.window.restsUntil);
      expect(cost!.perBottle, name).toBeGreaterThan(0);
      expect(style, name).not.toBe('');
      expect(shelf.isAlarm, name).toBe(false);
    }
    const sparkling = shelves.find(({ name }) => name === 'Gooseberry, sparkling')!;
    expect(sparkling.shelf.went.gas!.word).toBe('lively');
  });

  it('puts a test bottle that is due on Rounds, and nothing of what only lies there', async () => {
    const { standing } = (await app.call<{ standing: Standing[] }>('GET', '/rounds')).body;
    const asksOf = (name: string) => standing.find((each) => each.name === name)?.asks.map(({ kind }) => kind) ?? [];
    expect(asksOf('Borage, first fizz')).toContain('testBottle');
    expect(asksOf('Rhubarb, borage')).toContain('drinkBy');
    expect(standing.map(({ name }) => name)).not.toContain('Quince, linden');
  });

  it('gives the last bottle to one of two who open it', async () => {
    const { shelves } = (await app.call<{ shelves: ShelvedBatch[] }>('GET', '/cellar')).body;
    const each = shelves.find(({ name }) => name === 'Quince, linden')!;
    const { lastSeq } = (await app.call<Batch>('GET', `/batches/${each.id}`)).body;
    const out = (count: number) => ({
      id: crypto.randomUUID(),
      happenedAt: NOW - DAY_MS / 24,
      kind: 'bottleOut',
      payload: { count, end: 'opened' },
    });
    await app.call('POST', `/batches/${each.id}/events`, { afterSeq: lastSeq, events: [out(each.shelf.left - 1)] });
    const two = await Promise.all(
      [1, 2].map(() => app.call<{ message: string }>('POST', `/batches/${each.id}/events`, { afterSeq: lastSeq + 1, events: [out(1)] })),
    );
    expect(two.map(({ status }) => status).toSorted()).toEqual([200, 409]);
    const late = await app.call<{ message: string }>('POST', `/batches/${each.id}/events`, { afterSeq: lastSeq + 2, events: [out(1)] });
    expect(late.status).toBe(422);
    expect(late.body.message).toMatch(/None of it is left/);
  });
});

describe('the recipe book', () => {
  const recipe = (over: Partial<Recipe> = {}): Recipe => ({
    id: crypto.randomUUID(),
    name: 'Plain',
    tags: ['dry'],
    note: '',
    must: plan.must,
    fromBatch: null,
    ...over,
  });
  const put = (of: Recipe, afterVersion: number) =>
    app.call<KeptRecipe & { message: string }>('PUT', `/recipes/${of.id}`, { afterVersion, recipe: of });

  it('keeps a plan once however often it is sent, and not over what another window wrote', async () => {
    const one = recipe();
    expect((await put(one, 0)).body.version).toBe(1);
    expect((await put(one, 0)).body.version).toBe(1);
    expect((await put({ ...one, note: 'colder' }, 1)).body.version).toBe(2);
    expect((await put({ ...one, note: 'warmer' }, 1)).status).toBe(409);
    expect((await put(recipe({ name: 'x'.repeat(200) }), 0)).status).toBe(400);
  });

  it('says what came of each, and lets one go', async () => {
    const one = recipe({ name: 'Made' });
    await put(one, 0);
    const id = crypto.randomUUID();
    await app.call('POST', '/batches', { id, name: 'From the book', plan: { ...plan, madeFrom: { recipeId: one.id } } });
    const list = async () => (await app.call<{ recipes: KeptRecipe[] }>('GET', '/recipes')).body.recipes;
    expect((await list()).find(({ recipe: { id: of } }) => of === one.id)!.made.map((made) => made.id)).toEqual([id]);
    expect((await app.call('DELETE', `/recipes/${one.id}`)).status).toBe(200);
    expect((await list()).some(({ recipe: { id: of } }) => of === one.id)).toBe(false);
  });
});
