import { MARKS } from '@hollow-bell/core/record';
import type { EventContent, Ledger } from '@hollow-bell/core/record';
import { GRAVITY_INSTRUMENTS } from '@hollow-bell/core/liquid';
import { READING_LIMITS, SG_RANGE } from '@hollow-bell/core/quantities';
import { z } from 'zod';
import { compositionSchema, familySchema, nameSchema as name, ownYeastSchema, styleMarkSchema, yeastIdSchema } from './ingredients.ts';

const massG = z.number().min(0).max(200_000);
const volumeL = z.number().min(0).max(2000);
/** Urea itself holds 46.6 %: no product holds more. */
const MOST_NITROGEN = 0.47;
const nitrogen = z.number().min(0).max(MOST_NITROGEN);

export const ownNutrientSchema = z
  .strictObject({ name, ammoniumN: nitrogen, aminoN: nitrogen })
  .refine(({ ammoniumN, aminoN }) => ammoniumN + aminoN <= MOST_NITROGEN, 'No nutrient holds more nitrogen than urea, 47 %.');

export const NUTRIENT_IDS = ['organic', 'dap', 'complex', 'cutDap', 'noAmmonium', 'rehydration', 'hulls', 'own'] as const;

/** Milliseconds since 1970 UTC, between 2000 and 2200. */
const momentMs = z.number().int().min(946_684_800_000).max(7_258_118_400_000);
/** Which lot of the shelf it came from, and which step of the brew day it did. */
const origin = { lotId: z.uuid().optional(), step: z.string().min(1).max(120).optional() };

const of = <const K extends string, P extends z.ZodType>(kind: K, payload: P) => z.object({ kind: z.literal(kind), payload });

const buffer = z.strictObject({ buffer: z.number().min(1).max(13), read: z.number().min(0).max(14) });
interface Buffers {
  low: z.infer<typeof buffer>;
  high: z.infer<typeof buffer>;
}
const areApart = ({ low, high }: Buffers): boolean => high.buffer - low.buffer >= 1;
const areTold = ({ low, high }: Buffers): boolean => high.read - low.read > 0.3 * (high.buffer - low.buffer);
const APART = 'The two buffers must lie at least one apart, such as 4.00 and 7.00.';
const TOLD = 'The meter hardly tells these buffers apart; it is worn out, or a reading is a slip.';

export const phBuffersSchema = z.strictObject({ low: buffer, high: buffer }).refine(areApart, APART).refine(areTold, TOLD);
/** The last two-point calibration of a pH meter. */
const phCalibrationSchema = z.strictObject({ at: momentMs, low: buffer, high: buffer }).refine(areApart, APART).refine(areTold, TOLD);

const limited = (key: keyof typeof READING_LIMITS) => z.number().min(READING_LIMITS[key].low).max(READING_LIMITS[key].high);

const reading = z
  .strictObject({
    instrument: z.enum(GRAVITY_INSTRUMENTS).optional(),
    sg: limited('sg').optional(),
    brix: limited('brix').optional(),
    tempC: limited('tempC').optional(),
    calibrationC: z.union([z.literal(20), z.literal(15.56)]).optional(),
    ph: limited('ph').optional(),
    phMeter: phCalibrationSchema.optional(),
    taGPerL: limited('taGPerL').optional(),
    freeSo2MgPerL: limited('freeSo2MgPerL').optional(),
    leesMm: limited('leesMm').optional(),
  })
  .refine(
    ({ sg, brix, ph, tempC, taGPerL, freeSo2MgPerL, leesMm }) =>
      [sg, brix, ph, tempC, taGPerL, freeSo2MgPerL, leesMm].some((value) => value !== undefined),
    'A reading needs something that was read.',
  )
  .refine(({ sg, brix }) => sg === undefined || brix === undefined, 'A reading is of one instrument: a gravity or °Brix, not both.')
  .refine(
    ({ instrument, brix }) => brix === undefined || instrument === undefined || instrument === 'refractometer',
    'Only a refractometer reads °Brix.',
  );

/** A folded state is core's type; on the wire it is taken as it is. Only the server writes one into an event. */
export const ledgerSchema = z
  .custom<Ledger>((value) => typeof value === 'object' && value !== null)
  .meta({ type: 'object', description: 'the folded state' });

const happenings = [
  of(
    'honey',
    z.strictObject({ ...origin, name, massG, moisture: z.number().min(0.13).max(0.25), unfermentable: z.number().min(0).max(0.3) }),
  ),
  of(
    'ingredient',
    z.strictObject({
      ...origin,
      name,
      family: familySchema.exclude(['honey']),
      makes: styleMarkSchema,
      massG,
      composition: compositionSchema,
      sugarSpread: z.number().min(0).max(1),
      bagDays: z.number().int().min(1).max(120).optional(),
    }),
  ),
  of('water', z.strictObject({ ...origin, volumeL })),
  of(
    'yeast',
    z.strictObject({
      ...origin,
      yeastId: yeastIdSchema,
      name,
      massG: z.number().min(0).max(2000),
      own: ownYeastSchema.optional(),
    }),
  ),
  of(
    'nutrient',
    z.strictObject({
      ...origin,
      source: z.enum(NUTRIENT_IDS),
      own: ownNutrientSchema.optional(),
      massG: z.number().min(0).max(5000),
      dose: z.number().int().min(1).max(20).optional(),
    }),
  ),
  of('sulfite', z.strictObject({ ...origin, salt: z.enum(['potassium', 'sodium']), massG: z.number().min(0).max(1000) })),
  of('base', z.strictObject({ ...origin, salt: z.enum(['carbonate', 'bicarbonate']), massG: z.number().min(0).max(2000) })),
  of('sorbate', z.strictObject({ ...origin, massG: z.number().min(0).max(1000) })),
  of('strain', z.strictObject({ massG, share: z.number().min(0).max(1), step: origin.step })),
  of('transferIn', z.strictObject({ fromBatchId: z.uuid(), fromName: name, volumeL, parcel: ledgerSchema })),
  of('transferOut', z.strictObject({ toBatchId: z.uuid(), toName: name, volumeL })),
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
    'finding',
    z.strictObject({
      cause: z.enum(['cold', 'swing', 'strong start', 'tolerance', 'gas', 'nitrogen', 'sour', 'addition', 'preservative', 'heat']),
      holds: z.boolean(),
    }),
  ),
  of(
    'cure',
    z.strictObject({
      cure: z.enum(['warm', 'cool', 'rouse', 'raise pH', 'feed']),
      toC: z.number().min(0).max(40).optional(),
    }),
  ),
  of(
    'putOff',
    z
      .strictObject({
        ask: z.string().min(1).max(120),
        told: z.string().trim().min(1).max(400),
        until: momentMs.optional(),
        reason: z.string().trim().min(1, 'Say in a word why not.').max(200).optional(),
      })
      .refine(({ until, reason }) => (until === undefined) !== (reason === undefined), 'Later needs a time, not at all a reason.'),
  ),
  of('staysHere', z.strictObject({})),
  of('restart', z.strictObject({ volumeL: z.number().positive().max(2000), sg: z.number().min(SG_RANGE.low).max(SG_RANGE.high) })),
  of('restartStep', z.strictObject({ index: z.number().int().min(0).max(20) })),
  of(
    'note',
    z.strictObject({
      text: z.string().trim().min(1).max(2000),
      mark: z.enum(MARKS).optional(),
      step: z.string().min(1).max(120).optional(),
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
export type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
export const schemaMatchesCore: Same<z.infer<typeof eventContentSchema>, EventContent> = true;
