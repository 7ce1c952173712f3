import type { Recipe, RecipeFile } from '@hollow-bell/contract';
import { predictMust, styleOf } from '@hollow-bell/core/must';
import { Refusal } from '@hollow-bell/core/quantities';
import { yeastOf } from '@hollow-bell/core/yeast';
import { shown } from './formats.ts';
import type { Reader } from './formats.ts';

const FORMAT = { format: 'hollow-bell-recipe', version: 1 } as const;

/** A recipe as an open file: JSON by the published schema. */
export function recipeToJson({ name, tags, note, must }: Recipe): string {
  const file: RecipeFile = { ...FORMAT, name, tags, note, must };
  return `${JSON.stringify(file, null, 2)}\n`;
}

interface Misfit {
  path: readonly (string | number)[];
  says: string;
}

/**
 * Reads a recipe's file.
 *
 * @param misfitOf what does not fit the published shape; null where all does
 * @throws Refusal with what is wrong
 */
export function jsonToRecipe(text: string, newId: string, misfitOf: (file: unknown) => Misfit | null): Recipe {
  let read: unknown;
  try {
    read = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    throw new Refusal('This file is no JSON; a recipe goes out of the recipe book as JSON, and comes in again so.');
  }
  const { format, version } = (typeof read === 'object' && read !== null ? read : {}) as { format?: unknown; version?: unknown };
  if (format !== FORMAT.format) throw new Refusal('This file is no recipe of Hollow Bell’s recipe book.');
  if (version !== FORMAT.version) throw new Refusal('This recipe was written by a newer Hollow Bell than this one.');
  const misfit = misfitOf(read);
  if (misfit !== null) throw new Refusal(`${misfit.path.join(' ')}: ${misfit.says}`);
  const { name, tags, note, must } = read as RecipeFile;
  return { id: newId, name, tags, note, must, fromBatch: null };
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
