import { readFile } from 'node:fs/promises';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { recipeFileShape } from '@hollow-bell/contract';
import { bodySchema } from '@hollow-bell/contract/zod';

describe('a published schema', () => {
  it('is the one that the contract makes today', async () => {
    const published = JSON.parse(await readFile(new URL('../../docs/schemas/recipe.schema.json', import.meta.url), 'utf8')) as object;
    const made = z.toJSONSchema(bodySchema(recipeFileShape), { io: 'input', unrepresentable: 'any' });
    expect(published).toEqual(JSON.parse(JSON.stringify(made)));
  });
});
