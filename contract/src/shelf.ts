import { checkComposition } from '@hollow-bell/core/ingredients';
import { Refusal } from '@hollow-bell/core/quantities';
import { z } from 'zod';
import { phBuffersShape } from '@hollow-bell/core/liquid';
import { zodOf } from './zodOf.ts';
import {
  compositionSchema,
  familySchema,
  nameSchema,
  ownYeastSchema,
  styleMarkSchema,
  traitsSchema,
  yeastIdSchema,
} from './ingredients.ts';

const day = z.iso.date('A date is written as 2027-03-31.');

const ingredientDetail = z
  .strictObject({
    kind: z.literal('ingredient'),
    family: familySchema,
    makes: styleMarkSchema,
    composition: compositionSchema,
    sugarSpread: z.number().min(0).max(1),
    traits: traitsSchema.optional(),
  })
  .superRefine((detail, context) => {
    try {
      checkComposition('This lot', detail.family, detail.composition);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      context.addIssue({ code: 'custom', message: error.message });
    }
  });

const detailSchema = z.union([
  ingredientDetail,
  z.strictObject({ kind: z.literal('yeast'), typeId: yeastIdSchema, own: ownYeastSchema }),
  z
    .strictObject({
      kind: z.literal('nutrient'),
      ammoniumN: z.number().min(0).max(0.47),
      aminoN: z.number().min(0).max(0.2),
      gPerTeaspoon: z.number().min(0.5).max(12),
      /** The most that the packet allows, g/L over the whole feeding. */
      capGPerL: z.number().positive().max(20).optional(),
    })
    .refine(({ ammoniumN, aminoN }) => ammoniumN + aminoN <= 0.47, 'No nutrient holds more nitrogen than urea, 47 %.'),
  z.strictObject({ kind: z.literal('chemical'), use: z.string().trim().max(120) }),
  z.strictObject({
    kind: z.literal('vessel'),
    shape: z.enum(['jug', 'carboy', 'bucket', 'keg']),
    capacityL: z.number().min(0.1).max(1000),
    material: z.enum(['glass', 'plastic', 'steel', 'stoneware']),
    neckMm: z.number().min(5).max(1000).nullable(),
  }),
  z.strictObject({
    kind: z.literal('instrument'),
    reads: z.enum(['gravity', 'brix', 'temperature', 'pH', 'mass', 'volume']),
    calibrationC: z.number().min(0).max(60).nullable(),
    resolution: z.number().min(0).max(100),
    calibratedOn: day.nullable(),
    /** What a pH meter showed in its two buffers then. */
    buffers: zodOf(phBuffersShape).optional(),
  }),
]);

/** A lot, packet, vessel or instrument. `stockG` is all that ever came in, in grams; of vessels and instruments how many. */
export const shelfItemSchema = z.strictObject({
  id: z.uuid(),
  name: nameSchema,
  stockG: z.number().min(0, 'A stock cannot be less than nothing.').max(1_000_000, 'A stock of more than a tonne is beyond this shelf.'),
  pricePerKg: z.number().min(0, 'A price cannot be less than nothing.').max(100_000).nullable(),
  expiresOn: day.nullable(),
  note: z.string().trim().max(300),
  /** Used up or given away: off the shelf, but batches that took from it keep it. */
  putAway: z.boolean(),
  detail: detailSchema,
});
export type ShelfItem = z.infer<typeof shelfItemSchema>;
export type ShelfKind = ShelfItem['detail']['kind'];
export const SHELF_KINDS: readonly ShelfKind[] = ['ingredient', 'yeast', 'nutrient', 'chemical', 'vessel', 'instrument'];

/** An item with what batches have taken of it, in grams, as their records stand. */
export const shelvedSchema = z.object({ item: shelfItemSchema, takenG: z.number(), version: z.number().int() });
export type Shelved = z.infer<typeof shelvedSchema>;
export const shelfSchema = z.object({ items: z.array(shelvedSchema) });

export const putItemSchema = z.strictObject({ afterVersion: z.number().int().min(0), item: shelfItemSchema });
/** All rows of a file or none. */
export const importShelfSchema = z.strictObject({ items: z.array(shelfItemSchema).min(1).max(1000) });
