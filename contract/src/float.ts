import { SG_RANGE } from '@hollow-bell/core/quantities';
import { z } from 'zod';

/** A float hydrometer that posts what it reads; `keptBack` counts what came faster than it is kept. */
export const floatDeviceSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  batchId: z.uuid().nullable(),
  lastSeenAt: z.number().nullable(),
  keptBack: z.number().int(),
});
export type FloatDevice = z.infer<typeof floatDeviceSchema>;

const floatName = z.string().trim().min(1, 'A float needs a name.').max(60, 'A name has at most 60 letters.');
export const newFloatSchema = z.strictObject({ id: z.uuid(), name: floatName, batchId: z.uuid() });
export const hangFloatSchema = z.strictObject({ batchId: z.uuid().nullable() });
/** The token is told once, when the float is made known. */
export const madeFloatSchema = z.object({ float: floatDeviceSchema, token: z.string() });
export type MadeFloat = z.infer<typeof madeFloatSchema>;

/** What a float may post. Its numbers are checked one by one, so that one that is off does not cost the others. */
export const floatPostSchema = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        /** When it was read: ISO 8601 with its zone, or ms since 1970 UTC; the moment of arrival where it is left out. */
        at: z.union([z.iso.datetime({ offset: true }), z.number()]).optional(),
        sg: z.number(),
        tempC: z.number().optional(),
      }),
    )
    .min(1)
    .max(500, 'At most 500 readings at once.'),
});
export type FloatPost = z.infer<typeof floatPostSchema>;

export const floatAnswerSchema = z.object({
  kept: z.number().int(),
  /** On record already. */
  repeated: z.number().int(),
  /** Closer to another than readings are kept. */
  keptBack: z.number().int(),
  refused: z.array(z.object({ index: z.number().int(), message: z.string() })),
});
export type FloatAnswer = z.infer<typeof floatAnswerSchema>;

/** One reading in so long is kept of each float. */
export const FLOAT_SLOT_MS = 5 * 60_000;
const TEMP_RANGE = { low: -5, high: 60 };

/** Why a reading cannot be kept; null where it can. */
export function floatRefusal({ sg, tempC, at }: { sg: number; tempC: number | undefined; at: number }, now: number): string | null {
  if (!(sg >= SG_RANGE.low && sg <= SG_RANGE.high))
    return `${sg} is no specific gravity; send it as 1.048, between ${SG_RANGE.low.toFixed(3)} and ${SG_RANGE.high.toFixed(3)}.`;
  if (tempC !== undefined && !(tempC >= TEMP_RANGE.low && tempC <= TEMP_RANGE.high))
    return `${tempC} °C is no must’s; send degrees Celsius, between ${TEMP_RANGE.low} and ${TEMP_RANGE.high}.`;
  if (!(at > 946_684_800_000)) return 'Its clock stands before the year 2000; set it.';
  return at > now + FLOAT_SLOT_MS ? 'Its clock runs ahead: that time lies in the future.' : null;
}
