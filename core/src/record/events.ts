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

type Amendment = EventOf<'amendment'>;
const isAmendment = (event: BatchEvent): event is Amendment => event.kind === 'amendment';

/** The amendments that count, oldest first, by the event that each corrects. One may itself be withdrawn, which brings back what it had changed. */
function amendmentsOf(events: readonly BatchEvent[]): Map<string, Amendment[]> {
  const inOrder = sorted(events.filter(isAmendment), (a, b) => a.seq - b.seq);
  const withdrawn = new Set<string>();
  for (const { id, payload } of inOrder.toReversed())
    if (payload.replacement === null && !withdrawn.has(id)) withdrawn.add(payload.eventId);
  const byEvent = new Map<string, Amendment[]>();
  for (const amendment of inOrder) {
    if (withdrawn.has(amendment.id)) continue;
    const earlier = byEvent.get(amendment.payload.eventId);
    if (earlier === undefined) byEvent.set(amendment.payload.eventId, [amendment]);
    else earlier.push(amendment);
  }
  return byEvent;
}

/** An event as its amendments leave it: as the last that replaces it says. */
function corrected(first: StandingEvent, amendments: readonly Amendment[]): StandingEvent {
  const last = amendments.findLast(({ payload }) => payload.replacement !== null);
  if (last === undefined || last.payload.replacement === null) return first;
  return { ...last.payload.replacement, id: first.id, seq: first.seq, enteredAt: last.enteredAt };
}

const isWithdrawn = (amendments: readonly Amendment[]): boolean => amendments.at(-1)?.payload.replacement === null;

/** Every event with its amendments applied, in the order in which things happened (then were entered). */
export function logOf(events: readonly BatchEvent[]): LogEntry[] {
  const byEvent = amendmentsOf(events);
  const entries = events
    .filter((event): event is StandingEvent => !isAmendment(event))
    .map((first): LogEntry => {
      const amendments = byEvent.get(first.id) ?? [];
      return { first, standing: corrected(first, amendments), withdrawn: isWithdrawn(amendments), amendments };
    });
  return sorted(entries, (a, b) => earlier(a.standing, b.standing));
}

/** The events that count, in the order in which things happened. */
export function standingEvents(events: readonly BatchEvent[]): StandingEvent[] {
  const byEvent = amendmentsOf(events);
  if (byEvent.size === 0 && !events.some(isAmendment)) return sorted(events as readonly StandingEvent[], earlier);
  const standing: StandingEvent[] = [];
  for (const event of events) {
    if (isAmendment(event)) continue;
    const amendments = byEvent.get(event.id);
    if (amendments === undefined) standing.push(event);
    else if (!isWithdrawn(amendments)) standing.push(corrected(event, amendments));
  }
  return sorted(standing, earlier);
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

/** A replacement whose other figures are in keeping with the one that was corrected. */
export function inKeeping(replacement: Replacement): Replacement {
  const keep = <K extends RecordedKind>(kind: K, payload: Recorded[K]): object => HAPPENINGS[kind].inKeeping?.(payload) ?? payload;
  return { ...replacement, payload: keep(replacement.kind, replacement.payload) } as Replacement;
}
