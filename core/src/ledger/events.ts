import type { CalibrationC } from '../liquid/index.ts';

/** What goes in, comes out or is found out about a batch. Quantities in SI; times are milliseconds since 1970 UTC. */
export interface Payloads {
  /** `moisture` and `unfermentable` are fractions of the honey's mass; the rest is fermentable sugar. */
  honey: { name: string; massG: number; moisture: number; unfermentable: number };
  water: { volumeL: number };
  yeast: { yeastId: string; name: string; massG: number };
  nutrient: { source: NutrientId; massG: number; dose?: number | undefined };
  sulfite: { salt: SulfiteSalt; massG: number };
  sorbate: { massG: number };
  removal: { volumeL: number; reason: RemovalReason };
  /** Gravity as read on the instrument, before any correction. At least one of sg, ph and tempC. */
  reading: {
    sg?: number | undefined;
    tempC?: number | undefined;
    calibrationC?: CalibrationC | undefined;
    ph?: number | undefined;
  };
  /** Siphoned off the lees; the volume is what was measured afterwards. */
  rack: { volumeL: number };
  bottling: { bottles: { sizeMl: number; count: number }[] };
  note: { text: string; mark?: Mark | undefined };
  /** Replaces an earlier event, or withdraws it where `replacement` is null. The earlier one stays on record. */
  amendment: { eventId: string; replacement: Replacement | null };
}

export type EventKind = keyof Payloads;
export type NutrientId = 'organic' | 'dap';
export type SulfiteSalt = 'potassium' | 'sodium';
export type RemovalReason = 'sample' | 'foam' | 'spill' | 'lees';
/** What a maker judges by eye or nose; each can be part of a gate or a rule. */
export type Mark = 'degassed' | 'clear' | 'hazy' | 'stirred' | 'sulfur' | 'tasting';

type ContentOf<K extends EventKind> = K extends EventKind ? { kind: K; payload: Payloads[K] } : never;
/** Kind and payload together, before an event has an identity. */
export type EventContent = ContentOf<EventKind>;
export type Replacement = ContentOf<Exclude<EventKind, 'amendment'>> & { happenedAt: number };

interface Identity {
  id: string;
  seq: number;
  happenedAt: number;
  enteredAt: number;
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
  const inOrder = [...events].sort((a, b) => a.seq - b.seq);
  const withdrawnAmendments = new Set<string>();
  for (const event of inOrder.toReversed()) {
    if (event.kind === 'amendment' && event.payload.replacement === null && !withdrawnAmendments.has(event.id)) {
      withdrawnAmendments.add(event.payload.eventId);
    }
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
  return [...entries.values()].sort((a, b) => a.standing.happenedAt - b.standing.happenedAt || a.standing.seq - b.standing.seq);
}

/** The events that count, in the order in which things happened. */
export function standingEvents(events: readonly BatchEvent[]): StandingEvent[] {
  return logOf(events)
    .filter((entry) => !entry.withdrawn)
    .map((entry) => entry.standing);
}
