import { flag, id, list, moment, number, orNull, own, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import type { Ask } from '@hollow-bell/core/rounds';
import { phaseShape, vesselShape } from './batches.ts';

/** A vessel as it stands, and what it asks for: all that Rounds needs of a batch, without its record. */
const standingShape = record({
  id,
  name: text(80),
  vessel: vesselShape,
  pitchedAt: orNull(moment),
  phase: phaseShape,
  /** Bottled, and fermenting there: no vessel stands for it. */
  inBottles: flag,
  sg: number(0, 2),
  volumeL: number(0, 10_000),
  leesL: number(0, 10_000),
  /** What colors it: fruit and juice first, then honeys. */
  colors: list(text(80), 0, 1000),
  /** Most pressing first. */
  asks: list(own<Ask>('an ask'), 0, 100),
});
export type Standing = Fit<typeof standingShape>;
export const roundsShape = record({ standing: list(standingShape, 0, 100_000) });
