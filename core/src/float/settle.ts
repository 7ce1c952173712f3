import { emptyLedger, gravityRead, makeReading, standingEvents } from '../record/index.ts';
import type { BatchEvent, Payloads } from '../record/index.ts';
import { provesAnEnd } from '../liquid/index.ts';
import { HOUR_MS, READING_LIMITS, SG_RANGE } from '../quantities/index.ts';

/** What a float sent: ms since 1970 UTC, SG as it reckons, °C of the must. */
export interface FloatPoint {
  at: number;
  sg: number;
  tempC: number | null;
}

export interface FloatFault {
  kind: 'stuck' | 'jumps' | 'silent';
  from: number;
  to: number;
}

/** Readings are told together over this long: a must moves little in it, and a float's noise averages out. */
const TOLD_EVERY_MS = 6 * HOUR_MS;
const LEAST_TOLD = 3;
/** Foam and knocks throw single readings further off their neighbors than this, SG (our estimate). */
const JUMP_SG = 0.008;
const NEIGHBORS = 5;
/** A swimming float is never still to the last digit for so long; one that hangs on the wall is. */
const STUCK = { count: 24, ms: 12 * HOUR_MS } as const;
const SILENT_MS = 12 * HOUR_MS;
/** A hydrometer read so near to a float's own reading sets it. */
const SETS_MS = 6 * HOUR_MS;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[middle] ?? Number.NaN) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
};
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Runs of one and the same number, long enough that no swimming float has them. */
function stuckRuns(points: readonly FloatPoint[]): FloatFault[] {
  const runs: FloatFault[] = [];
  let start = 0;
  for (let i = 1; i <= points.length; i++) {
    if (i < points.length && points[i]?.sg === points[start]?.sg) continue;
    const [from, to] = [points[start]?.at ?? 0, points[i - 1]?.at ?? 0];
    if (i - start >= STUCK.count && to - from >= STUCK.ms) runs.push({ kind: 'stuck', from, to });
    start = i;
  }
  return runs;
}

/** Single readings far from those beside them; faults that follow each other within hours are told as one. */
function jumpsOf(points: readonly FloatPoint[]): Set<FloatPoint> {
  return new Set(
    points.filter((point, i) => {
      const beside = points
        .slice(Math.max(0, i - NEIGHBORS), i + NEIGHBORS + 1)
        .filter((other) => Math.abs(other.at - point.at) < TOLD_EVERY_MS);
      return beside.length > LEAST_TOLD && Math.abs(point.sg - median(beside.map(({ sg }) => sg))) > JUMP_SG;
    }),
  );
}

function together(kind: FloatFault['kind'], moments: readonly number[]): FloatFault[] {
  const faults: FloatFault[] = [];
  for (const at of moments) {
    const last = faults.at(-1);
    if (last !== undefined && at - last.to < 24 * HOUR_MS) last.to = at;
    else faults.push({ kind, from: at, to: at });
  }
  return faults;
}

export interface SettledFloat {
  /** The float in the middle of its noise, one for a few hours. */
  points: FloatPoint[];
  faults: FloatFault[];
  /** Which of the readings were left out of that, by index. */
  leftOut: ReadonlySet<number>;
}

/**
 * What a noisy float has to say: jumps, and the time that it hung stuck, are left out and told; the rest is put together as the
 * median of some hours. The record keeps every reading as it came.
 *
 * @param raw in any order
 */
export function settleFloat(raw: readonly FloatPoint[]): SettledFloat {
  const order = raw.map((_, i) => i).sort((a, b) => (raw[a]?.at ?? 0) - (raw[b]?.at ?? 0));
  const points = order.flatMap((i) => raw[i] ?? []);
  const stuck = stuckRuns(points);
  const swimming = points.filter(({ at }) => !stuck.some(({ from, to }) => at > from && at <= to));
  const jumps = jumpsOf(swimming);
  const sound = swimming.filter((point) => !jumps.has(point));
  const silent = points.flatMap((point, i): FloatFault[] => {
    const before = points[i - 1];
    return before !== undefined && point.at - before.at > SILENT_MS ? [{ kind: 'silent', from: before.at, to: point.at }] : [];
  });
  const buckets = new Map<number, FloatPoint[]>();
  for (const point of sound) {
    const bucket = Math.floor(point.at / TOLD_EVERY_MS);
    buckets.set(bucket, [...(buckets.get(bucket) ?? []), point]);
  }
  const told = [...buckets.values()]
    .filter((bucket) => bucket.length >= LEAST_TOLD)
    .map((bucket): FloatPoint => {
      const temps = bucket.flatMap(({ tempC }) => (tempC === null ? [] : [tempC]));
      return {
        at: Math.round(mean(bucket.map(({ at }) => at))),
        sg: median(bucket.map(({ sg }) => sg)),
        tempC: temps.length === 0 ? null : mean(temps),
      };
    });
  const kept = new Set(sound);
  return {
    points: told,
    faults: [
      ...stuck,
      ...together(
        'jumps',
        [...jumps].map(({ at }) => at),
      ),
      ...silent,
    ].sort((a, b) => a.from - b.from),
    leftOut: new Set(
      order.filter((i) => {
        const point = raw[i];
        return point !== undefined && !kept.has(point);
      }),
    ),
  };
}

/** A float is set by each hydrometer that is read beside it: what it then was off by. */
function offsetsOf(points: readonly FloatPoint[], events: readonly BatchEvent[]): { at: number; sg: number }[] {
  return standingEvents(events).flatMap((event) => {
    if (event.kind !== 'reading') return [];
    const read = event.payload.brix === undefined ? gravityRead(emptyLedger(), event.payload) : null;
    if (read === null || !provesAnEnd(read.instrument)) return [];
    const beside = points.filter(({ at }) => Math.abs(at - event.happenedAt) <= SETS_MS);
    if (beside.length === 0) return [];
    const shown = mean(beside.map((point) => gravityRead(emptyLedger(), asReading(point))?.sg ?? point.sg));
    return [{ at: event.happenedAt, sg: read.sg - shown }];
  });
}

/** Between two hydrometers the float's error is taken to drift evenly; before the first and after the last it stays as found. */
function offsetAt(offsets: readonly { at: number; sg: number }[], at: number): number {
  const after = offsets.findIndex((offset) => offset.at >= at);
  const [before, next] = [offsets[after < 0 ? offsets.length - 1 : after - 1], offsets[after]];
  if (before === undefined || next === undefined || next.at === before.at) return (before ?? next)?.sg ?? 0;
  return before.sg + ((next.sg - before.sg) * (at - before.at)) / (next.at - before.at);
}

/** A float hangs in must that may freeze; a sample’s temperature does not go so low. */
const asReading = ({ sg, tempC }: FloatPoint): Payloads['reading'] =>
  makeReading(
    { instrument: 'float', sg, ...(tempC === null ? {} : { tempC: Math.max(READING_LIMITS.tempC.low, tempC) }) },
    { calibrationC: 20, phMeter: null },
  );

/** A pitch, or a fermenting batch that this one was split from. */
const bringsYeast = (event: BatchEvent): boolean =>
  event.kind === 'yeast' || (event.kind === 'transferIn' && event.payload.parcel.history.pitch !== null);

/**
 * The events of a batch with what its float has to say among them, for folding; the events themselves stay as they are.
 * A float tells nothing of the time before the pitch or after bottling.
 */
export function withFloat(events: readonly BatchEvent[], raw: readonly FloatPoint[]): BatchEvent[] {
  if (raw.length === 0) return [...events];
  const standing = standingEvents(events);
  const from = standing.find(bringsYeast)?.happenedAt ?? Number.POSITIVE_INFINITY;
  const to = standing.find(({ kind }) => kind === 'bottling')?.happenedAt ?? Number.POSITIVE_INFINITY;
  const { points } = settleFloat(raw.filter(({ at }) => at > from && at < to));
  const offsets = offsetsOf(points, events);
  const told = points.map((point): BatchEvent => {
    const offset = offsetAt(offsets, point.at);
    return {
      kind: 'reading',
      payload: asReading({ ...point, sg: Math.min(SG_RANGE.high, Math.max(SG_RANGE.low, point.sg + offset)) }),
      id: `float ${point.at}`,
      seq: 0,
      happenedAt: point.at,
      enteredAt: point.at,
    };
  });
  return [...events, ...told];
}
