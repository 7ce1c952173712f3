import { TRAITS } from '@hollow-bell/core/ingredients';
import type { Composition, Family, Stage, StyleMark } from '@hollow-bell/core/ingredients';
import { isYeastId } from '@hollow-bell/core/yeast';
import { z } from 'zod';

export const nameSchema = z.string().trim().min(1, 'A name is missing.').max(80, 'A name has at most 80 letters.');

export const familySchema = z.enum([
  'honey',
  'sugar',
  'syrup',
  'juice',
  'fruit',
  'dried',
  'malt',
  'zest',
  'tea',
  'tannin',
  'spice',
  'acid',
] satisfies Family[]);

export const styleMarkSchema = z.enum([
  'honey',
  'caramel',
  'apple',
  'grape',
  'fruit',
  'maple',
  'malt',
  'spice',
  'none',
] satisfies StyleMark[]);

export const traitsSchema = z.array(z.enum(TRAITS)).max(TRAITS.length).readonly();

export const stageSchema = z.enum(['before', 'during', 'after'] satisfies Stage[]);

const share = z.number().min(0).max(1);

export const compositionSchema = z
  .strictObject({
    sugar: share,
    unfermentable: share,
    insoluble: share,
    ammoniumNMgPerKg: z.number().min(0).max(100_000),
    aminoNMgPerKg: z.number().min(0).max(100_000),
    acidGPerKg: z.number().min(0).max(1200),
  } satisfies Record<keyof Composition, z.ZodNumber>)
  .refine(
    ({ sugar, unfermentable, insoluble }) => sugar + unfermentable + insoluble <= 1.0005,
    'Sugar, unfermentable and insoluble parts together cannot pass 100 %.',
  );

/** One of the yeast types; a packet of another has the nearest type and figures of its own. */
export const yeastIdSchema = z.string().refine(isYeastId, 'No yeast type goes by that name; choose one of those listed.');

/** What a packet says of its own yeast. */
export const ownYeastSchema = z.strictObject({
  name: nameSchema.optional(),
  toleranceAbv: z
    .strictObject({ value: z.number().min(3).max(23), low: z.number().min(2).max(23), high: z.number().min(3).max(25) })
    .refine(({ low, value, high }) => low <= value && value <= high, 'The tolerance must lie between its own low and high ends.')
    .optional(),
  tempC: z.strictObject({ low: z.number().min(0).max(40), high: z.number().min(0).max(45) }).optional(),
  demand: z.enum(['low', 'medium', 'high', 'unknown']).optional(),
  phFloor: z.number().min(2.5).max(4).optional(),
});
