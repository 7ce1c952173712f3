import { flag, id, list, orNull, own, record, text, whole } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import type { Ask } from '@hollow-bell/core/rounds';
import type { Filled } from '@hollow-bell/core/vessel';
import { figure, phaseShape, storedEvent } from './batches.ts';

/** A vessel as it stands, and what it asks for: all that Rounds needs of a batch, without its record. */
const standingShape = record({
  id,
  name: text(80),
  /** What it stands in and how much in each, companions last; where nothing can be reckoned the vessel of its plan, empty. */
  filled: list(own<Filled>('a vessel and what is in it'), 0, 20),
  pitchedAt: orNull(figure),
  phase: phaseShape,
  /** Bottled, and fermenting there: no vessel stands for it. */
  inBottles: flag,
  sg: figure,
  volumeL: figure,
  leesL: figure,
  /** What colors it: fruit and juice first, then honeys. */
  colors: list(text(80), 0, 1000),
  /** Most pressing first. */
  asks: list(own<Ask>('an ask'), 0, 100),
});
export type Standing = Fit<typeof standingShape>;
/** What was written, and how the vessel stands with it; null where it stands no more. */
export const appendedShape = record({
  lastSeq: whole(0, 1_000_000),
  events: list(storedEvent, 0, 1_000_000),
  standing: orNull(standingShape),
});
export const roundsShape = record({ standing: list(standingShape, 0, 100_000) });
