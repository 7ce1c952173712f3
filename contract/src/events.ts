import { HAPPENINGS, RECORDED_KINDS, RECORD_VERSION } from '@hollow-bell/core/record';
import type { EventContent, Ledger } from '@hollow-bell/core/record';
import { id, moment, own, whole } from '@hollow-bell/core/quantities';
import { z } from 'zod';
import { zodOf } from './zodOf.ts';

/** A folded state is core's type; on the wire it is taken as it is. Only the server writes one into an event. */
export const ledgerSchema = zodOf(own<Ledger>('the folded state'));

const recorded = RECORDED_KINDS.map((kind) => z.object({ kind: z.literal(kind), payload: zodOf(HAPPENINGS[kind].shape) }));
const [first, ...others] = recorded;
if (first === undefined) throw new Error('nothing can happen');
const recordedSchema = z.discriminatedUnion('kind', [first, ...others]);

const replacementSchema = z.intersection(recordedSchema, z.object({ happenedAt: zodOf(moment) })).nullable();
const amendmentSchema = z.object({
  kind: z.literal('amendment'),
  payload: z.strictObject({ eventId: zodOf(id), replacement: replacementSchema }),
});

/** What is written into a batch: kind and payload, as core's happenings say it. */
export const eventContentSchema = z.discriminatedUnion('kind', [
  ...recorded,
  amendmentSchema,
] as never) as unknown as z.ZodType<EventContent>;

const identity = z.object({ id: zodOf(id), happenedAt: zodOf(moment), version: zodOf(whole(1, RECORD_VERSION)).optional() });
export const newEventSchema = z.intersection(eventContentSchema, identity);
export type NewEvent = EventContent & { id: string; happenedAt: number; version?: number | undefined };

/** Fails to compile when a schema and core's type differ. */
export type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
