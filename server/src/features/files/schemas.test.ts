import { describe, expect, it } from 'vitest';
import { PUBLISHED, publishedSchema } from './schemas.ts';

describe('a published schema', () => {
  it.each(PUBLISHED)('of a %s is the one that the contract makes today', async (name) => {
    const made = `${JSON.stringify(publishedSchema(name), null, 2)}\n`;
    await expect(made).toMatchFileSnapshot(`../../../../docs/schemas/${name}.schema.json`);
  });
});
