import { cellarFileShape, recipeFileShape } from '@hollow-bell/contract';
import { bodySchema } from '@hollow-bell/contract/zod';
import type { Shape } from '@hollow-bell/core/quantities';
import { z } from 'zod';

const SHAPES = { cellar: cellarFileShape, recipe: recipeFileShape } as const satisfies Record<string, Shape>;
export type PublishedName = keyof typeof SHAPES;
export const PUBLISHED = Object.keys(SHAPES) as PublishedName[];

/** The JSON Schema of an open file, made from the contract that reads it. */
export const publishedSchema = (name: PublishedName): object =>
  z.toJSONSchema(bodySchema<unknown>(SHAPES[name]), { io: 'input', unrepresentable: 'any' });
