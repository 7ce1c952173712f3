import type { BottledCost, CellarShelf } from '@hollow-bell/core/cellar';
import { choice, id, list, maybe, nameShape, orNull, own, record, text, textOrNone, whole } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { figure, mustPlanShape, phaseShape } from './batches.ts';

/** A bottled batch, with all that the Cellar shows of it. */
const shelvedBatchShape = record({
  id,
  name: text(80),
  style: text(200),
  shelf: own<CellarShelf>('a shelf of bottles'),
  /** In the maker's own money. */
  cost: orNull(own<BottledCost>('what it cost')),
});
export type ShelvedBatch = Fit<typeof shelvedBatchShape>;
export const cellarShape = record({ shelves: list(shelvedBatchShape, 0, 100_000) });

const tag = text(40, { whenLong: 'A tag has at most 40 letters.' });
const recipeFields = {
  name: nameShape,
  tags: list(tag, 0, 12, { whenMany: 'A recipe has at most 12 tags.' }),
  note: textOrNone(4000),
  must: mustPlanShape,
} as const;
/** A plan that is kept without a batch. */
export const recipeShape = record({ id, ...recipeFields, fromBatch: orNull(id) });
/** The same as an open file; its published schema is made from this. */
export const recipeFileShape = record({ format: choice('hollow-bell-recipe'), version: choice(1), ...recipeFields });
export type RecipeFile = Fit<typeof recipeFileShape>;
export type Recipe = Fit<typeof recipeShape>;
/** With the batches that were made from it. */
export const keptRecipeShape = record({
  recipe: own<Recipe>('a recipe'),
  version: whole(1, 1_000_000),
  savedAt: figure,
  made: list(record({ id, name: text(80), phase: phaseShape, words: maybe(text(2000)) }), 0, 10_000),
});
export type KeptRecipe = Fit<typeof keptRecipeShape>;
export const recipesShape = record({ recipes: list(keptRecipeShape, 0, 100_000) });
export const putRecipeShape = record({ afterVersion: whole(0, 1_000_000), recipe: recipeShape });
