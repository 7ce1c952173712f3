import type { EventContent } from '@hollow-bell/core/ledger';
import { z } from 'zod';

const massG = z.number().min(0).max(200_000);
const volumeL = z.number().min(0).max(2000);
/** Milliseconds since 1970 UTC, between 2000 and 2200. */
const momentMs = z.number().int().min(946_684_800_000).max(7_258_118_400_000);
const name = z.string().trim().min(1).max(80);

const of = <const K extends string, P extends z.ZodType>(kind: K, payload: P) => z.object({ kind: z.literal(kind), payload });

const reading = z
  .strictObject({
    sg: z.number().min(0.97).max(1.2).optional(),
    tempC: z.number().min(0).max(60).optional(),
    calibrationC: z.union([z.literal(20), z.literal(15.56)]).optional(),
    ph: z.number().min(2.5).max(5).optional(),
  })
  .refine((r) => r.sg !== undefined || r.ph !== undefined || r.tempC !== undefined, 'A reading needs a gravity, a pH or a temperature.');

const happenings = [
  of('honey', z.strictObject({ name, massG, moisture: z.number().min(0.13).max(0.25), unfermentable: z.number().min(0).max(0.12) })),
  of('water', z.strictObject({ volumeL })),
  of('yeast', z.strictObject({ yeastId: z.string().min(1).max(40), name, massG: z.number().min(0).max(2000) })),
  of(
    'nutrient',
    z.strictObject({
      source: z.enum(['organic', 'dap']),
      massG: z.number().min(0).max(5000),
      dose: z.number().int().min(1).max(20).optional(),
    }),
  ),
  of('sulfite', z.strictObject({ salt: z.enum(['potassium', 'sodium']), massG: z.number().min(0).max(1000) })),
  of('sorbate', z.strictObject({ massG: z.number().min(0).max(1000) })),
  of('removal', z.strictObject({ volumeL, reason: z.enum(['sample', 'foam', 'spill', 'lees']) })),
  of('reading', reading),
  of('rack', z.strictObject({ volumeL: z.number().positive().max(2000) })),
  of(
    'bottling',
    z.strictObject({
      bottles: z
        .array(z.strictObject({ sizeMl: z.number().min(20).max(20_000), count: z.number().int().min(0).max(5000) }))
        .min(1)
        .max(12),
    }),
  ),
  of(
    'note',
    z.strictObject({
      text: z.string().trim().min(1).max(2000),
      mark: z.enum(['degassed', 'clear', 'hazy', 'stirred', 'sulfur', 'tasting']).optional(),
    }),
  ),
] as const;

/** What is written into a batch: kind and payload. The one definition that server and web share. */
export const eventContentSchema = z.discriminatedUnion('kind', [
  ...happenings,
  of(
    'amendment',
    z.strictObject({
      eventId: z.uuid(),
      replacement: z.intersection(z.discriminatedUnion('kind', happenings), z.object({ happenedAt: momentMs })).nullable(),
    }),
  ),
]);

export const newEventSchema = z.intersection(eventContentSchema, z.object({ id: z.uuid(), happenedAt: momentMs }));
export type NewEvent = EventContent & { id: string; happenedAt: number };

/** Fails to compile when the schema and core's events differ. */
type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
export const schemaMatchesCore: Same<z.infer<typeof eventContentSchema>, EventContent> = true;
