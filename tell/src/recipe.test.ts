import { misfitOf, recipeFileShape } from '@hollow-bell/contract';
import type { Recipe } from '@hollow-bell/contract';
import { planOf, plannedFrom, plannedHoney } from '@hollow-bell/core/must';
import { describe, expect, it } from 'vitest';
import { jsonToRecipe, recipeToJson, recipeToMarkdown } from './recipe.ts';

const ID = '11111111-0000-4000-8000-000000000001';
const NEW = '11111111-0000-4000-8000-000000000002';
const recipe: Recipe = {
  id: ID,
  name: 'Gooseberry',
  tags: ['summer', 'hydromel'],
  note: 'Under 18 °C.',
  must: planOf([plannedHoney('borage', 1100), plannedFrom('gooseberry', 700)], 4.9),
  fromBatch: null,
};
const misfit = (read: unknown) => misfitOf(recipeFileShape, read);

describe('a recipe as a file', () => {
  it('goes out and comes in again with nothing lost but its id', () => {
    expect(jsonToRecipe(recipeToJson(recipe), NEW, misfit)).toEqual({ ...recipe, id: NEW });
  });

  it.each([
    ['no JSON', 'honey: 2 kg', /no JSON/],
    ['another file', '{"a":1}', /no recipe/],
    ['a newer program’s', '{"format":"hollow-bell-recipe","version":99}', /newer/],
    ['one that lacks its must', '{"format":"hollow-bell-recipe","version":1,"name":"x","tags":[],"note":""}', /must/],
  ])('is refused where it is %s', (_what, text, why) => {
    expect(() => jsonToRecipe(text, NEW, misfit)).toThrow(why);
  });

  it('can be read as words', () => {
    const text = recipeToMarkdown(recipe, { units: 'metric', locale: 'en-GB', now: 0 }).replaceAll('\u00a0', ' ');
    expect(text).toMatch(/^# Gooseberry/);
    expect(text).toContain('- 1.10 kg borage');
    expect(text).toContain('- 4.90 L water');
    expect(text).toContain('Under 18 °C.');
    expect(text).toContain('Tags: summer, hydromel');
  });
});
