import type { Sentence } from '../quantities/index.ts';
import { HAPPENINGS } from './happenings/index.ts';
import type { Recorded, RecordedKind } from './happenings/index.ts';

/** What each kind of event holds: what happened, and corrections of it. */
export interface Payloads extends Recorded {
  /** Replaces an earlier event, or withdraws it where `replacement` is null. The earlier one stays on record. */
  amendment: { readonly eventId: string; readonly replacement: Replacement | null };
}

export type EventKind = keyof Payloads;

type ContentOf<K extends EventKind> = K extends EventKind ? { readonly kind: K; readonly payload: Payloads[K] } : never;
/** Kind and payload together, before an event has an identity. */
export type EventContent = ContentOf<EventKind>;
export type Replacement = ContentOf<RecordedKind> & { readonly happenedAt: number };

interface Identity {
  /** Of the shape it was written in; the first where nothing is said. */
  readonly version?: number | undefined;
  readonly id: string;
  readonly seq: number;
  readonly happenedAt: number;
  readonly enteredAt: number;
}

export type BatchEvent = EventContent & Identity;
export type EventOf<K extends EventKind> = Extract<BatchEvent, { kind: K }>;
/** An event as it stands after amendments. */
export type StandingEvent = Exclude<BatchEvent, { kind: 'amendment' }>;

/** An event for the log: how it stands, how it first was, and whether it was withdrawn. */
export interface LogEntry {
  first: StandingEvent;
  standing: StandingEvent;
  withdrawn: boolean;
  /** The amendments that touched it, oldest first. */
  amendments: EventOf<'amendment'>[];
}

/**
 * Every event with its amendments applied, in the order in which things happened (then were entered).
 * An amendment may itself be withdrawn, which brings back what it had changed.
 */
export function logOf(events: readonly BatchEvent[]): LogEntry[] {
  const inOrder = sorted(events, (a, b) => a.seq - b.seq);
  const withdrawnAmendments = new Set<string>();
  for (const { id, payload } of inOrder.filter((event) => event.kind === 'amendment').toReversed()) {
    if (payload.replacement === null && !withdrawnAmendments.has(id)) withdrawnAmendments.add(payload.eventId);
  }
  const entries = new Map<string, LogEntry>();
  for (const event of inOrder) {
    if (event.kind !== 'amendment') {
      entries.set(event.id, { first: event, standing: event, withdrawn: false, amendments: [] });
      continue;
    }
    const entry = entries.get(event.payload.eventId);
    if (entry === undefined || withdrawnAmendments.has(event.id)) continue;
    entry.amendments.push(event);
    const { replacement } = event.payload;
    entry.withdrawn = replacement === null;
    if (replacement !== null) {
      const { id, seq } = entry.first;
      entry.standing = { ...replacement, id, seq, enteredAt: event.enteredAt };
    }
  }
  return sorted([...entries.values()], (a, b) => earlier(a.standing, b.standing));
}

/** The events that count, in the order in which things happened. */
export function standingEvents(events: readonly BatchEvent[]): StandingEvent[] {
  if (!events.some((event) => event.kind === 'amendment')) return sorted(events as readonly StandingEvent[], earlier);
  return logOf(events)
    .filter((entry) => !entry.withdrawn)
    .map((entry) => entry.standing);
}

const earlier = (a: StandingEvent, b: StandingEvent): number => a.happenedAt - b.happenedAt || a.seq - b.seq;

/** Most records are written down as things happen; only where they were not is there anything to sort. */
function sorted<T>(values: readonly T[], compare: (a: T, b: T) => number): T[] {
  const isSorted = values.every((value, i) => i === 0 || compare(values[i - 1] as T, value) <= 0);
  return isSorted ? [...values] : values.toSorted(compare);
}

function recordedSentence<K extends RecordedKind>({ kind, payload }: { kind: K; payload: Recorded[K] }): Sentence {
  return HAPPENINGS[kind].says(payload);
}

/** An event as one line of the log. */
export function eventSentence(event: EventContent): Sentence {
  if (event.kind !== 'amendment') return recordedSentence(event);
  return [event.payload.replacement === null ? 'took an entry back' : 'corrected an entry'];
}
