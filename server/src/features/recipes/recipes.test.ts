import type { KeptRecipe, Recipe } from '@hollow-bell/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { plan, testApp } from '../../test/server.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

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
