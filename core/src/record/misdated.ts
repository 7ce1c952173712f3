import { MINUTE_MS } from '../quantities/index.ts';
import { logOf } from './events.ts';
import type { BatchEvent, StandingEvent } from './events.ts';

/** Clocks of two devices may differ by this much before they contradict each other. */
export const CLOCK_SLACK_MS = 5 * MINUTE_MS;

/**
 * Entries that are dated after others which were written down later: the clock had been ahead and was set back, and nobody knows when
 * they really happened. Correcting the date puts it right.
 *
 * @param events as they are on record, without what floats sent
 * @returns those that stand so, in the order of their dates
 */
export function misdated(events: readonly BatchEvent[]): StandingEvent[] {
  const bySeq = events.toSorted((a, b) => b.seq - a.seq);
  const earliestAfter = new Map<number, number>();
  let earliest = Infinity;
  for (const { seq, enteredAt } of bySeq) {
    earliestAfter.set(seq, earliest);
    earliest = Math.min(earliest, enteredAt);
  }
  return logOf(events).flatMap(({ first, standing, withdrawn, amendments }) => {
    const written = amendments.at(-1)?.seq ?? first.seq;
    const after = earliestAfter.get(written) ?? Infinity;
    return !withdrawn && standing.happenedAt > after + CLOCK_SLACK_MS ? [standing] : [];
  });
}
