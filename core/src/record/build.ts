import type { BatchEvent, EventContent } from './events.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** A row of events for tests and demo data: each happens at its hour after `startAt` and is numbered in turn. */
export function eventsAt(startAt: number, rows: readonly (readonly [atHour: number, content: EventContent])[]): BatchEvent[] {
  return rows.map(([atHour, content], i) => ({
    ...content,
    id: `00000000-0000-4000-8000-${String(i + 1).padStart(12, '0')}`,
    seq: i + 1,
    happenedAt: startAt + atHour * HOUR_MS,
    enteredAt: startAt + atHour * HOUR_MS,
  }));
}
