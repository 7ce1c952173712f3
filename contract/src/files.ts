import { choice, flag, id, kinds, list, maybe, moment, number, orNull, own, record, text, whole } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { HAPPENINGS, RECORDED_KINDS, RECORD_VERSION } from '@hollow-bell/core/record';
import { batchPlanShape } from './batches.ts';
import { recipeShape } from './cellar.ts';
import { amendmentShape } from './events.ts';
import { pictureInFileShape } from './pictures.ts';
import { practiceShape } from './practice.ts';
import { shelfItemShape } from './shelf.ts';

const NO_KIND = 'Nothing of that kind stands in the record of a batch.';
const identity = { id, seq: whole(1, 1_000_000), happenedAt: moment, enteredAt: moment, version: maybe(whole(1, RECORD_VERSION)) } as const;
const recorded = Object.fromEntries(RECORDED_KINDS.map((kind) => [kind, record({ payload: HAPPENINGS[kind].shape, ...identity })]));
/** An entry as it stands on record. */
const recordedEventShape = kinds({ ...recorded, amendment: record({ payload: amendmentShape, ...identity }) }, NO_KIND);

const point = { deviceId: id, slot: whole(0, 1e12), at: moment } as const;
const batchFileShape = record({
  id,
  name: text(80),
  createdAt: moment,
  fate: choice('kept', 'archived'),
  /** Every version, oldest first. */
  plans: list(record({ version: whole(1, 1_000_000), writtenAt: moment, plan: batchPlanShape }), 1, 10_000),
  events: list(recordedEventShape, 0, 100_000),
  float: list(record({ ...point, sg: number(0.5, 2), tempC: orNull(number(-50, 150)) }), 0, 1_000_000),
  probe: list(record({ ...point, coreC: number(-50, 150), bathC: orNull(number(-50, 150)) }), 0, 1_000_000),
  /** None in a file of before there were any. */
  pictures: maybe(list(pictureInFileShape, 0, 100_000)),
});
/** What goes out of a cellar and comes in again: all of it, or one batch with its family. */
export const cellarFileShape = record({
  format: choice('hollow-bell-cellar'),
  version: choice(1),
  writtenAt: moment,
  batches: list(batchFileShape, 0, 100_000),
  shelf: list(shelfItemShape, 0, 100_000),
  recipes: list(recipeShape, 0, 100_000),
  practice: orNull(practiceShape),
});
export type CellarFile = Fit<typeof cellarFileShape>;
export type BatchFile = Fit<typeof batchFileShape>;

export const importShape = record({ isTrial: flag, file: own<CellarFile>('a cellar’s file') });
