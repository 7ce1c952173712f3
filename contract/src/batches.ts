import type { FeedingPractice } from '@hollow-bell/core/feed';
import { DAP_CAP_G_PER_L } from '@hollow-bell/core/feed';
import type { BatchEvent, Ledger } from '@hollow-bell/core/ledger';
import { z } from 'zod';
import { newEventSchema } from './events.ts';
import { practiceSchema } from './practice.ts';

export const vesselSchema = z.strictObject({
  kind: z.enum(['jug', 'carboy', 'bucket', 'keg']),
  name: z.string().trim().min(1).max(60),
  capacityL: z.number().min(0.1).max(1000),
});

export const mustPlanSchema = z.strictObject({
  honeys: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1).max(80),
        massG: z.number().min(0).max(200_000),
        moisture: z.number().min(0.13).max(0.25),
        unfermentable: z.number().min(0).max(0.12),
      }),
    )
    .min(1)
    .max(8),
  waterL: z.number().min(0).max(2000),
  yeastId: z.string().min(1).max(40),
  vessel: vesselSchema,
  roomTempC: z.number().min(0).max(45),
});

/** What the maker means to do with a batch, and by which schools. Kept in versions. */
export const batchPlanSchema = z.strictObject({ must: mustPlanSchema, practice: practiceSchema });
export type BatchPlan = z.infer<typeof batchPlanSchema>;

/** The feeding school of a batch, with its cap. */
export function feedingPracticeOf(plan: BatchPlan): FeedingPractice {
  const { organicCredit, dapShare, region } = plan.practice;
  return { organicCredit, dapShare, dapCapGPerL: DAP_CAP_G_PER_L[region] };
}

const batchName = z.string().trim().min(1, 'A batch needs a name.').max(80, 'A name has at most 80 letters.');

export const createBatchSchema = z.strictObject({ id: z.uuid(), name: batchName, plan: batchPlanSchema });
export const renameBatchSchema = z.strictObject({ name: batchName });
export const replanSchema = z.strictObject({ afterVersion: z.number().int().min(0), plan: batchPlanSchema });
export const appendSchema = z.strictObject({
  /** The last event the writer has seen; a stale one is answered with what came since. */
  afterSeq: z.number().int().min(0),
  events: z.array(newEventSchema).min(1).max(50),
});

/** Folded state and recorded events are core's types; on the wire they are taken as they are. */
const ledger = z
  .custom<Ledger>((value) => typeof value === 'object' && value !== null)
  .meta({ type: 'object', description: 'the folded state' });
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
  ledger,
});
export type BatchSummary = z.infer<typeof batchSummarySchema>;

export const batchSchema = batchSummarySchema.extend({ events: z.array(storedEvent) });
export type Batch = z.infer<typeof batchSchema>;

export const appendedSchema = z.object({ lastSeq: z.number().int(), events: z.array(storedEvent) });

export const errorSchema = z.object({
  code: z.enum(['bad_input', 'not_found', 'stale', 'database_away', 'too_many', 'not_allowed', 'internal']),
  /** A sentence for a person. */
  message: z.string(),
  /** Where the input is wrong, as a path. */
  field: z.string().optional(),
  /** With `stale`: what others wrote since. */
  since: z.array(storedEvent).optional(),
  requestId: z.string(),
});
export type ApiError = z.infer<typeof errorSchema>;
