import type { Ask } from '@hollow-bell/core/rounds';
import { z } from 'zod';
import { phaseSchema, vesselSchema } from './batches.ts';

/** A vessel as it stands, and what it asks for: all that Rounds needs of a batch, without its record. */
export const standingSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  vessel: vesselSchema,
  pitchedAt: z.number().nullable(),
  phase: phaseSchema,
  /** Bottled, and fermenting there: no vessel stands for it. */
  inBottles: z.boolean(),
  sg: z.number(),
  volumeL: z.number(),
  leesL: z.number(),
  /** What colors it: fruit and juice first, then honeys. */
  colors: z.array(z.string()),
  /** Most pressing first. */
  asks: z.array(z.custom<Ask>((value) => typeof value === 'object' && value !== null).meta({ type: 'object', description: 'an ask' })),
});
export type Standing = z.infer<typeof standingSchema>;
export const roundsSchema = z.object({
  standing: z.array(standingSchema),
});
