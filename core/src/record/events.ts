import type { Composition, Family, StyleMark } from '../ingredients/index.ts';
import type { CalibrationC, GravityInstrument, PhCalibration } from '../liquid/index.ts';
import type { OwnYeast } from '../yeast/index.ts';
import type { BaseSalt, Bottles, CureMade, Mark, NutrientId, OwnNutrient, RemovalReason, StallCauseId } from './kinds.ts';
import type { SulfiteSalt } from '../preservatives/index.ts';

import type { Ledger } from './ledger.ts';

/** Which lot of the shelf something was taken from, and which step of the brew day it did. */
interface Origin {
  lotId?: string | undefined;
  step?: string | undefined;
}

/** What goes in, comes out or is found out about a batch. Quantities in SI; times are milliseconds since 1970 UTC. */
export interface Payloads {
  /** `moisture` and `unfermentable` are fractions of the honey's mass; the rest is fermentable sugar. */
  honey: Origin & { name: string; massG: number; moisture: number; unfermentable: number };
  /** Anything else that brings sugar, acid, flavor or pulp. */
  ingredient: Origin & {
    name: string;
    family: Exclude<Family, 'honey'>;
    makes: StyleMark;
    massG: number;
    composition: Composition;
    /** 10–90 % range of its sugar, ± as a share of it. */
    sugarSpread: number;
    /** Days after which its bag comes out. */
    bagDays?: number | undefined;
  };
  water: Origin & { volumeL: number };
  yeast: Origin & { yeastId: string; name: string; massG: number; own?: OwnYeast | undefined };
  nutrient: Origin & { source: NutrientId; massG: number; dose?: number | undefined; own?: OwnNutrient | undefined };
  sulfite: Origin & { salt: SulfiteSalt; massG: number };
  sorbate: Origin & { massG: number };
  /** Potassium carbonate or bicarbonate, against a pH that is too low. */
  base: Origin & { salt: BaseSalt; massG: number };
  /** Pulp lifted or pressed out: its mass as it drips, and which share of all the pulp it was. */
  strain: { massG: number; share: number; step?: string | undefined };
  /** Part of another batch poured in. Only splitting and blending write it, so that no mass is invented. */
  transferIn: { fromBatchId: string; fromName: string; volumeL: number; parcel: Ledger };
  transferOut: { toBatchId: string; toName: string; volumeL: number };
  removal: { volumeL: number; reason: RemovalReason };
  /** As read on the instruments, before any correction; at least one of them. A refractometer reads `brix`, all others `sg`. */
  reading: {
    /** A hydrometer where nothing is said. */
    instrument?: GravityInstrument | undefined;
    sg?: number | undefined;
    brix?: number | undefined;
    tempC?: number | undefined;
    calibrationC?: CalibrationC | undefined;
    ph?: number | undefined;
    phMeter?: PhCalibration | undefined;
    /** Titratable acid as tartaric, g/L. */
    taGPerL?: number | undefined;
    freeSo2MgPerL?: number | undefined;
    /** How high the lees stand. */
    leesMm?: number | undefined;
  };
  /** Siphoned off the lees; the volume is what was measured afterwards. */
  rack: { volumeL: number };
  bottling: { bottles: Bottles };
  /** A maker looked whether this stopped it. */
  finding: { cause: StallCauseId; holds: boolean };
  /** One change that was made for a stall; to what temperature, where it was that. */
  cure: { cure: CureMade; toC?: number | undefined };
  /** What the vessel asked for is left for later, or for good and why. `ask` names it; new facts make a new ask of it. */
  putOff: { ask: string; told: string; until?: number | undefined; reason?: string | undefined };
  /** A starter is begun for what is stuck: how much of it, at which gravity. */
  restart: { volumeL: number; sg: number };
  /** Which of the starter’s steps was done, from 0. */
  restartStep: { index: number };
  /** The maker’s word: it rests here, above where it was expected, and is looked at as it is. */
  staysHere: Record<string, never>;
  note: { text: string; mark?: Mark | undefined; step?: string | undefined };
  /** Replaces an earlier event, or withdraws it where `replacement` is null. The earlier one stays on record. */
  amendment: { eventId: string; replacement: Replacement | null };
}

export type EventKind = keyof Payloads;

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
