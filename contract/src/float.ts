import { POT_C } from '@hollow-bell/core/heat';
import { either, id, instant, list, maybe, number, orNull, record, text, whole } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { SG_RANGE } from '@hollow-bell/core/quantities';

/** A float hydrometer that posts what it reads; `keptBack` counts what came faster than it is kept. */
export const floatDeviceShape = record({
  id,
  name: text(60),
  batchId: orNull(id),
  lastSeenAt: orNull(number(-1e15, 1e15)),
  keptBack: whole(0, 1e12),
});
export type FloatDevice = Fit<typeof floatDeviceShape>;
export const floatsShape = record({ floats: list(floatDeviceShape, 0, 100_000) });

const floatName = text(60, { whenMissing: 'A float needs a name.', whenLong: 'A name has at most 60 letters.' });
export const newFloatShape = record({ id, name: floatName, batchId: id });
export const hangFloatShape = record({ batchId: orNull(id) });
/** The token is told once, when the float is made known. */
export const madeFloatShape = record({ float: floatDeviceShape, token: text(200) });
export type MadeFloat = Fit<typeof madeFloatShape>;

/** Any number at all: what a float sends is judged one by one, so that one that is off does not cost the others. */
const anything = number(-Number.MAX_VALUE, Number.MAX_VALUE, [0, 2]);
export const floatPostShape = record({
  readings: list(
    record({
      /** When it was read: ISO 8601 with its zone, or ms since 1970 UTC; the moment of arrival where it is left out. */
      at: maybe(either(instant('A moment is written as 2026-11-27T08:00:00Z, or as ms since 1970 UTC.'), anything)),
      /** A float’s. */
      sg: maybe(anything),
      tempC: maybe(anything),
      /** A probe’s, °C. */
      coreC: maybe(anything),
      bathC: maybe(anything),
    }),
    1,
    500,
    { whenMany: 'At most 500 readings at once.' },
  ),
});
export type FloatPost = Fit<typeof floatPostShape>;

const count = whole(0, 1_000_000);
export const floatAnswerShape = record({
  kept: count,
  /** On record already. */
  repeated: count,
  /** Closer to another than readings are kept. */
  keptBack: count,
  refused: list(record({ index: count, message: text(1000) }), 0, 500),
});
export type FloatAnswer = Fit<typeof floatAnswerShape>;
/** One reading in so long is kept of each probe. */
export const PROBE_SLOT_MS = 60_000;
/** One reading in so long is kept of each float. */
export const FLOAT_SLOT_MS = 5 * 60_000;
const TEMP_RANGE = { low: -5, high: 60 };

const lies = (value: number, { low, high }: { low: number; high: number }): boolean => value >= low && value <= high;

/** Why a moment cannot be kept; null where it can. */
function clockRefusal(at: number, now: number): string | null {
  if (!(at > 946_684_800_000)) return 'Its clock stands before the year 2000; set it.';
  return at > now + FLOAT_SLOT_MS ? 'Its clock runs ahead: that time lies in the future.' : null;
}

/** Why a probe’s reading cannot be kept; null where it can. */
export function probeRefusal({ coreC, bathC, at }: { coreC: number; bathC: number | undefined; at: number }, now: number): string | null {
  for (const tempC of [coreC, bathC])
    if (tempC !== undefined && !lies(tempC, POT_C))
      return `${tempC} °C is no pot’s, unless it was meant in °F; send degrees Celsius, between ${POT_C.low} and ${POT_C.high}.`;
  return clockRefusal(at, now);
}

/** Why a float’s reading cannot be kept; null where it can. */
export function floatRefusal({ sg, tempC, at }: { sg: number; tempC: number | undefined; at: number }, now: number): string | null {
  if (!(sg >= SG_RANGE.low && sg <= SG_RANGE.high))
    return `${sg} is no specific gravity; send it as 1.048, between ${SG_RANGE.low.toFixed(3)} and ${SG_RANGE.high.toFixed(3)}.`;
  if (tempC !== undefined && !(tempC >= TEMP_RANGE.low && tempC <= TEMP_RANGE.high))
    return `${tempC} °C is no must’s; send degrees Celsius, between ${TEMP_RANGE.low} and ${TEMP_RANGE.high}.`;
  return clockRefusal(at, now);
}
