import type { Recipe } from '@hollow-bell/contract';
import { predictMust, styleOf } from '@hollow-bell/core/must';
import { Refusal } from '@hollow-bell/core/quantities';
import { yeastOf } from '@hollow-bell/core/yeast';
import { shown } from './formats.ts';
import type { Reader } from './formats.ts';

/** Where the published shape of a recipe's file stands; raised when it changes. */
const RECIPE_FORMAT = 'hollow-bell-recipe';
const RECIPE_FORMAT_VERSION = 1;

/** A recipe as an open file: JSON by the published schema. */
export const recipeToJson = ({ name, tags, note, must }: Recipe): string =>
  `${JSON.stringify({ format: RECIPE_FORMAT, version: RECIPE_FORMAT_VERSION, name, tags, note, must }, null, 2)}\n`;

interface Misfit {
  path: readonly (string | number)[];
  says: string;
}

/**
 * Reads a recipe's file.
 *
 * @param misfitOf what does not fit the shape of a recipe; null where all does
 * @throws Refusal with what is wrong
 */
export function jsonToRecipe(text: string, newId: string, misfitOf: (recipe: unknown) => Misfit | null): Recipe {
  let read: unknown;
  try {
    read = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    throw new Refusal('This file is no JSON; a recipe goes out of the recipe book as JSON, and comes in again so.');
  }
  if (typeof read !== 'object' || read === null || (read as { format?: unknown }).format !== RECIPE_FORMAT)
    throw new Refusal('This file is no recipe of Hollow Bell’s recipe book.');
  const { version, name, tags, note, must } = read as Record<string, unknown>;
  if (typeof version !== 'number' || version > RECIPE_FORMAT_VERSION)
    throw new Refusal('This recipe was written by a newer Hollow Bell than this one.');
  const recipe = { id: newId, name, tags, note, must, fromBatch: null };
  const misfit = misfitOf(recipe);
  if (misfit !== null) throw new Refusal(`${misfit.path.join(' ')}: ${misfit.says}`);
  return recipe as unknown as Recipe;
}

/** A recipe for reading. */
export function recipeToMarkdown({ name, tags, note, must }: Recipe, reader: Reader): string {
  const figures = predictMust(must);
  const { name: style } = styleOf(must, figures.abv.value);
  const lines = must.ingredients
    .filter(({ massG }) => massG > 0)
    .map(
      ({ name: of, massG, stage }) =>
        `- ${shown('massG', massG, reader)} ${of}${stage === 'before' ? '' : `, ${stage === 'during' ? 'while it ferments' : 'once it is stable'}`}`,
    );
  return [
    `# ${name}`,
    '',
    `${style}; ${shown('volumeL', figures.volumeL.value, reader)} at ${shown('sg', figures.og.value, reader)}, about ${shown('abv', figures.abv.value, reader)}.`,
    '',
    ...lines,
    `- ${shown('volumeL', must.waterL, reader)} water`,
    `- yeast: ${yeastOf(must).name}`,
    '',
    ...(note.trim() === '' ? [] : [note.trim(), '']),
    ...(tags.length === 0 ? [] : [`Tags: ${tags.join(', ')}`, '']),
  ].join('\n');
}
