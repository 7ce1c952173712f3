import { id, kinds, maybe, moment, orNull, record, whole } from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';
import { HAPPENINGS, RECORDED_KINDS, RECORD_VERSION } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';

const NO_KIND = 'Nothing of that kind can be written into a batch.';
const identity = { id, happenedAt: moment, version: maybe(whole(1, RECORD_VERSION)) } as const;
const ofKind = <F extends object>(fields: F) =>
  Object.fromEntries(RECORDED_KINDS.map((kind) => [kind, record({ payload: HAPPENINGS[kind].shape, ...fields })]));

export const amendmentShape = record({ eventId: id, replacement: orNull(kinds(ofKind({ happenedAt: moment }), NO_KIND)) });

export type NewEvent = EventContent & { id: string; happenedAt: number; version?: number | undefined };
/** What is written into a batch: core's happenings, each with an id, a time, and the version of what wrote it. */
export const newEventShape = kinds(
  { ...ofKind(identity), amendment: record({ payload: amendmentShape, ...identity }) },
  NO_KIND,
) as unknown as Shape<NewEvent>;
