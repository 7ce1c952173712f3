import type { FeedingPractice } from '@hollow-bell/core/feed';
import type { FloatPoint } from '@hollow-bell/core/float';
import { DAP_CAP_G_PER_L } from '@hollow-bell/core/feed';
import type { BatchEvent } from '@hollow-bell/core/record';
import type { MustPlan } from '@hollow-bell/core/must';
import type { Sentence } from '@hollow-bell/core/quantities';
import type { ShownPhase } from '@hollow-bell/core/watch';
import { z } from 'zod';
import { ledgerSchema, newEventSchema } from './events.ts';
import type { Same } from './events.ts';
import {
  compositionSchema,
  familySchema,
  nameSchema,
  ownYeastSchema,
  stageSchema,
  styleMarkSchema,
  traitsSchema,
  yeastIdSchema,
} from './ingredients.ts';
import { practiceSchema } from './practice.ts';

export const vesselSchema = z.strictObject({
  kind: z.enum(['jug', 'carboy', 'bucket', 'keg']),
  name: z.string().trim().min(1).max(60),
  capacityL: z.number().min(0.1).max(1000),
});

const holdSchema = z.number().min(0).max(200_000).optional();

export const plannedIngredientSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: nameSchema,
  family: familySchema,
  makes: styleMarkSchema,
  composition: compositionSchema,
  sugarSpread: z.number().min(0).max(1),
  traits: traitsSchema.optional(),
  massG: z.number().min(0).max(200_000),
  stage: stageSchema,
  lock: z.enum(['free', 'mass', 'perLiter']),
  gPerL: z.number().min(0).max(2000).optional(),
  form: z.enum(['fresh', 'frozen', 'purée']).optional(),
  preserved: z.boolean().optional(),
  bagDays: z.number().int().min(1).max(120).optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
  lotId: z.uuid().optional(),
});

export const mustPlanSchema = z.strictObject({
  ingredients: z.array(plannedIngredientSchema).min(1, 'A must needs an ingredient.').max(40, 'A must has at most 40 ingredients.'),
  waterL: z.number().min(0).max(2000),
  yeastId: yeastIdSchema,
  own: ownYeastSchema.optional(),
  yeastLotId: z.uuid().optional(),
  vessel: vesselSchema,
  roomTempC: z.number().min(0).max(45),
  losses: z.strictObject({ leesShare: z.number().min(0).max(0.5), samplesL: z.number().min(0).max(50) }),
  otherCost: z.number().min(0).max(1_000_000),
  wanted: z.strictObject({
    volumeL: holdSchema,
    rackedL: holdSchema,
    og: holdSchema,
    abv: holdSchema,
    sweetnessGPerL: holdSchema,
    honeyG: holdSchema,
    waterL: holdSchema,
    cost: holdSchema,
  }),
  ratioFree: z.boolean().optional(),
});

/** Fails to compile when the schema and core's plan differ. */
export const planMatchesCore: Same<z.infer<typeof mustPlanSchema>, MustPlan> = true;

/** What the maker means to do with a batch, and by which schools. Kept in versions. */
export const batchPlanSchema = z.strictObject({ must: mustPlanSchema, practice: practiceSchema });
export type BatchPlan = z.infer<typeof batchPlanSchema>;

/** The feeding school of a batch, with its cap. */
export function feedingPracticeOf({ practice }: Pick<BatchPlan, 'practice'>): FeedingPractice {
  const { dapShare, region, school, ownHours, setDoses, organicCredit, organic, ammonium } = practice;
  return { school, ownHours, setDoses, organicCredit, ammoniumShare: dapShare, dapCapGPerL: DAP_CAP_G_PER_L[region], organic, ammonium };
}

const batchName = z.string().trim().min(1, 'A batch needs a name.').max(80, 'A name has at most 80 letters.');

export const createBatchSchema = z.strictObject({ id: z.uuid(), name: batchName, plan: batchPlanSchema });
export const renameBatchSchema = z.strictObject({ name: batchName });
export const replanSchema = z.strictObject({ afterVersion: z.number().int().min(0), plan: batchPlanSchema });
/** Part of a batch siphoned into vessels of their own; each child inherits the ledger. Ids come from the client, so repeating is harmless. */
export const splitSchema = z.strictObject({
  afterSeq: z.number().int().min(0),
  happenedAt: z.number().int(),
  children: z
    .array(z.strictObject({ id: z.uuid(), name: batchName, volumeL: z.number().min(0.05).max(2000), vessel: vesselSchema }))
    .min(1)
    .max(12),
});
export type Split = z.infer<typeof splitSchema>;

/** Liquid of another batch poured into this one. `transferId` comes from the client, so repeating is harmless. */
export const blendSchema = z.strictObject({
  afterSeq: z.number().int().min(0),
  happenedAt: z.number().int(),
  fromId: z.uuid(),
  volumeL: z.number().min(0.01).max(2000),
  transferId: z.uuid(),
});
export type Blend = z.infer<typeof blendSchema>;

/** A reading that was written into the wrong batch goes to the right one. */
export const moveSchema = z.strictObject({ afterSeq: z.number().int().min(0), eventId: z.uuid(), toId: z.uuid() });
export type Move = z.infer<typeof moveSchema>;

export const appendSchema = z.strictObject({
  /** The last event the writer has seen; a stale one is answered with what came since. */
  afterSeq: z.number().int().min(0),
  events: z.array(newEventSchema).min(1).max(1000, 'At most 1,000 entries at once; split the file.'),
});

/** A recorded event is core's type; on the wire it is taken as it is. */
const storedEvent = z
  .custom<BatchEvent>((value) => typeof value === 'object' && value !== null)
  .meta({ type: 'object', description: 'a recorded event' });

export const batchSummarySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  createdAt: z.number(),
  lastSeq: z.number().int(),
  planVersion: z.number().int(),
  plan: batchPlanSchema,
  ledger: ledgerSchema,
});
export type BatchSummary = z.infer<typeof batchSummarySchema>;

export const phaseSchema = z.custom<ShownPhase>((value) => typeof value === 'string').meta({ type: 'string' });
/** A batch as a line in the book. Gravity and volume are null where the vessel is empty. */
export const listedSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  lastSeq: z.number().int(),
  phase: phaseSchema,
  pitchedAt: z.number().nullable(),
  sg: z.number().nullable(),
  volumeL: z.number().nullable(),
});
export type Listed = z.infer<typeof listedSchema>;
/** Which page of the book: what has this in its name, and began before the batch of that id. */
export const listQuerySchema = z.object({ name: z.string().trim().max(80).optional(), olderThan: z.uuid().optional() });
export type ListQuery = z.infer<typeof listQuerySchema>;
/** Newest first. */
export const batchListSchema = z.object({ batches: z.array(listedSchema), hasOlder: z.boolean() });
export type BatchList = z.infer<typeof batchListSchema>;

/** What a float in the batch sent, oldest first: ms since 1970 UTC, SG, °C. */
const floatPointSchema = z.tuple([z.number(), z.number(), z.number().nullable()]);
export const batchSchema = batchSummarySchema.extend({ events: z.array(storedEvent), float: z.array(floatPointSchema) });
export type Batch = z.infer<typeof batchSchema>;
/** A batch for those who fold its record themselves. */
export type BatchRecord = Omit<Batch, 'ledger'>;
export const floatPointsOf = ({ float }: Pick<Batch, 'float'>): FloatPoint[] => float.map(([at, sg, tempC]) => ({ at, sg, tempC }));

export const appendedSchema = z.object({ lastSeq: z.number().int(), events: z.array(storedEvent) });

export const errorSchema = z.object({
  code: z.enum(['bad_input', 'not_found', 'stale', 'database_away', 'too_many', 'not_allowed', 'internal']),
  /** A sentence for a person. */
  message: z.string(),
  /** The same with its quantities in SI, for whoever shows other units. */
  said: z
    .custom<Sentence>((value) => Array.isArray(value))
    .meta({ type: 'array', description: 'a sentence in parts' })
    .optional(),
  /** Where the input is wrong, as a path. */
  field: z.string().optional(),
  /** With `stale`: what others wrote since. */
  since: z.array(storedEvent).optional(),
  requestId: z.string(),
});
export type ApiError = z.infer<typeof errorSchema>;
