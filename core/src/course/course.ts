import { HOUR_MS } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import type { Ledger } from '../record/index.ts';
import { forecastAtOnce } from './ensemble.ts';
import type { Forecast, ForecastInput } from './ensemble.ts';
import type { AnnouncedPour } from './fromLedger.ts';
import { sugarBasisAt } from './model.ts';

/** The share of the sugar that is gone at a moment, with its 10–90 % range. */
interface CoursePoint {
  at: number;
  low: number;
  middle: number;
  high: number;
}

/** Where a batch stands, how fast it goes, when it will be where, and when it ends. Every station reads this one. */
export interface Course {
  /** What it was reckoned from, to ask further. */
  input: ForecastInput;
  /** What is still to be poured in, as it is counted in. */
  announced: readonly AnnouncedPour[];
  forecast: Forecast;
  pitchedAt: number;
  /** The last reading that the ledger follows, or the pitch; and the share of the sugar that was gone then. */
  at: number;
  share: number;
  /** Its pace is seen in readings, and not only what is usual. */
  isMeasured: boolean;
  /** From the pitch on. */
  line: readonly CoursePoint[];
  /** When it ends, its later end infinity where that lies beyond what is reckoned; null where the middle does. */
  endAt: Ranged | null;
}

/** Less than this of the sugar says nothing about the pace: a hydrometer's error is half of it. */
const TELLING_SHARE = 0.03;

/** The course of a pitched batch from what its record gives to go by. */
export function courseFrom(
  input: ForecastInput,
  { history: { pitch, readings } }: Pick<Ledger, 'history'>,
  announced: readonly AnnouncedPour[] = [],
): Course {
  const pitchedAt = pitch?.at ?? 0;
  const { setting } = input;
  const momentOf = (hour: number): number => pitchedAt + hour * HOUR_MS;
  const last = readings.findLast(({ at, verdict }) => verdict === 'follows' && at > pitchedAt);
  const share = Math.max(0, last?.shareGone ?? 0);
  const forecast = forecastAtOnce(input);
  const line = forecast.bands.map(({ hour, low, middle, high }): CoursePoint => {
    const gone = (leftGPerL: number): number => Math.max(0, Math.min(1, 1 - leftGPerL / sugarBasisAt(setting, hour)));
    return { at: momentOf(hour), low: gone(high), middle: gone(middle), high: gone(low) };
  });
  const { endH } = forecast;
  return {
    input,
    announced,
    forecast,
    pitchedAt,
    at: last?.at ?? pitchedAt,
    share,
    isMeasured: share >= TELLING_SHARE,
    line,
    endAt: endH === null ? null : { value: momentOf(endH.value), low: momentOf(endH.low), high: momentOf(endH.high) },
  };
}

/** When the line first reaches a share; infinity where it never does. */
function reached(line: readonly CoursePoint[], which: 'low' | 'middle' | 'high', share: number): number {
  const k = line.findIndex((point) => point[which] >= share);
  const [before, after] = [line[k - 1], line[k]];
  if (after === undefined) return Number.POSITIVE_INFINITY;
  if (before === undefined) return after.at;
  return before.at + ((after.at - before.at) * (share - before[which])) / (after[which] - before[which]);
}

/** When this share of the sugar is gone, ms since 1970 UTC, with its 10–90 % range; infinity where it never is. */
export const whenGone = ({ line }: Course, share: number): Ranged => ({
  value: reached(line, 'middle', share),
  low: reached(line, 'high', share),
  high: reached(line, 'low', share),
});

/** When this share of the sugar is expected to be gone, not before the last reading. */
export const expectedAt = (course: Course, share: number): number =>
  share <= course.share ? course.at : Math.max(course.at, whenGone(course, share).value);

/** The share of the sugar that is expected to be gone at this time with its 10–90 % range, not less than was read. */
export function expectedShares({ line, at, share }: Course, then: number): Ranged {
  const k = line.findIndex((point) => point.at > then);
  const [before, after] = [k === -1 ? line.at(-1) : line[k - 1], line[k]];
  const expected = (which: 'low' | 'middle' | 'high'): number => {
    const along =
      before === undefined
        ? 0
        : after === undefined
          ? before[which]
          : before[which] + ((after[which] - before[which]) * (then - before.at)) / (after.at - before.at);
    return then >= at ? Math.max(share, along) : along;
  };
  return { value: expected('middle'), low: expected('low'), high: expected('high') };
}

/** The middle of what is expected to be gone at this time, not less than was read. */
export const expectedShare = (course: Course, then: number): number => expectedShares(course, then).value;
