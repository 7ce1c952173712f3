import type { Ledger, ReadingPoint } from '../record/index.ts';
import { provesAnEnd } from '../liquid/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import { levelStretches } from './line.ts';
import type { Stretch } from './line.ts';

/** What proves that it stands still (trade practice; the numbers are our estimates). */
export const STILL = {
  /** At most this fall by a straight line through its readings, SG a week: half of what half a volume of gas takes. */
  fallSgPerWeek: 0.001,
  /** Two readings must lie this far apart; three prove it sooner. */
  twoDays: 14,
  threeDays: 7,
  /** Readings nearer than this to one another are one look at the glass. */
  apartDays: 3,
} as const;

const WEEK_MS = 7 * DAY_MS;
/** A reading some hours early of its day counts as on it. */
const SLACK_DAYS = 0.25;

/** The readings since it slowed, and whether a line through them lies level. */
export interface Stillness {
  readings: readonly ReadingPoint[];
  /** Its first one. */
  since: ReadingPoint | null;
  last: ReadingPoint | null;
  days: number;
  /** Readings that lie apart from one another. */
  looks: number;
  /** By the straight line, SG; negative where it rises. */
  fallSgPerWeek: number;
  isProven: boolean;
  /** When the next reading would prove it, if it lies level. */
  provenAt: number | null;
}

const daysOf = (ms: number): number => ms / DAY_MS + SLACK_DAYS;

function looksIn(readings: readonly ReadingPoint[]): number {
  let looks = 0;
  let lastAt = Number.NEGATIVE_INFINITY;
  for (const { at } of readings)
    if (daysOf(at - lastAt) >= STILL.apartDays) {
      looks += 1;
      lastAt = at;
    }
  return looks;
}

/**
 * Whether gravity stands still since it slowed: at most one point a week by a straight line through the longest stretch of readings
 * that lie on one, over two weeks, or over one with a third reading. One reading proves nothing, nor do two of one day; and one
 * that scatters does not begin the count anew.
 *
 * @param judged the readings that count, oldest first; floats and refractometers among them prove nothing
 */
export function stillnessOf(judged: readonly ReadingPoint[]): Stillness {
  const proving = judged.filter(({ instrument, verdict }) => provesAnEnd(instrument) && verdict === 'follows');
  const last = proving.at(-1) ?? null;
  if (last === null) return { readings: [], since: null, last, days: 0, looks: 0, fallSgPerWeek: 0, isProven: false, provenAt: null };
  const aWeek = ({ from, fallSg }: Stretch): number => {
    const ms = last.at - (proving[from]?.at ?? last.at);
    return ms === 0 ? 0 : (fallSg * WEEK_MS) / ms;
  };
  const [stretch] = levelStretches(proving) as [Stretch];
  const readings = proving.slice(stretch.from);
  const since = readings[0] ?? last;
  const days = (last.at - since.at) / DAY_MS;
  const looks = looksIn(readings);
  const fallSgPerWeek = aWeek(stretch);
  const isLevel = fallSgPerWeek <= STILL.fallSgPerWeek + 1e-9;
  const isLong = daysOf(last.at - since.at) >= (looks >= 3 ? STILL.threeDays : looks >= 2 ? STILL.twoDays : Infinity);
  const wanted =
    looks >= 2 ? Math.max(since.at + STILL.threeDays * DAY_MS, last.at + STILL.apartDays * DAY_MS) : since.at + STILL.twoDays * DAY_MS;
  return {
    readings,
    since,
    last,
    days,
    looks,
    fallSgPerWeek,
    isProven: isLevel && isLong,
    provenAt: isLevel ? wanted : last.at + STILL.threeDays * DAY_MS,
  };
}

/** A stillness with at least so many looks over so many days. */
export const isStillFor = (stillness: Stillness, days: number, looks: number): boolean =>
  stillness.isProven && stillness.looks >= looks && stillness.days + SLACK_DAYS >= days;

/** What was read since the pitch and since sugar last went to the yeast, up to a moment. */
export const judgedReadings = (ledger: Ledger, fedAt: number): ReadingPoint[] =>
  ledger.history.readings.filter(({ at }) => ledger.history.pitch !== null && at >= ledger.history.pitch.at && at > fedAt);

/** From here on an unstabilized mead holds sugar enough to burst glass, whatever it is (our estimate of what counts as dry). */
export const DRY_BELOW_SG = 1;
/** Below 1.000 a stillness of so long, by three readings, says more than any reckoning of what is left (our estimate). */
export const LONG_STILL_DAYS = 28;
