import type { ReadingPoint } from '../record/index.ts';
import { DAY_MS, RANGE_SD } from '../quantities/index.ts';

/** A straight line through readings. */
export interface Line {
  /** What it falls from the first to the last of them, SG; negative where it rises. */
  fallSg: number;
  /** How unsure that is by their errors alone, as a standard deviation; infinity for one reading. */
  fallSd: number;
  /** The farthest that a reading lies off it, in its own standard deviations, and which one that is. */
  worst: number;
  worstAt: number;
}

/** Least squares, each reading with its own error; an instrument’s scale and its scatter are both in that. */
export function lineThrough(readings: readonly ReadingPoint[]): Line {
  const weights = readings.map(({ plusMinus }) => (RANGE_SD / plusMinus) ** 2);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (of: (reading: ReadingPoint) => number): number =>
    readings.reduce((sum, reading, i) => sum + (weights[i] ?? 0) * of(reading), 0) / total;
  const first = readings[0]?.at ?? 0;
  const day = ({ at }: ReadingPoint): number => (at - first) / DAY_MS;
  const [meanDay, meanSg] = [mean(day), mean(({ sg }) => sg)];
  const spread = readings.reduce((sum, reading, i) => sum + (weights[i] ?? 0) * (day(reading) - meanDay) ** 2, 0);
  const slope =
    spread === 0
      ? 0
      : readings.reduce((sum, reading, i) => sum + (weights[i] ?? 0) * (day(reading) - meanDay) * (reading.sg - meanSg), 0) / spread;
  const last = readings.at(-1);
  const span = last === undefined ? 0 : day(last);
  let [worst, worstAt] = [0, -1];
  readings.forEach((reading, i) => {
    const off = Math.abs(reading.sg - meanSg - slope * (day(reading) - meanDay)) * Math.sqrt(weights[i] ?? 0);
    if (off > worst) [worst, worstAt] = [off, i];
  });
  return { fallSg: -slope * span, fallSd: spread === 0 ? Number.POSITIVE_INFINITY : span / Math.sqrt(spread), worst, worstAt };
}

/** Farther off its line than so many of its own standard deviations a reading is a slip; among so many one of them is let go (our estimates). */
const SLIP = { sds: 2.5, among: 4 } as const;

/** The line through readings of which one slip is let go; null where they lie on none. */
export function lineBut(readings: readonly ReadingPoint[]): Line | null {
  const whole = lineThrough(readings);
  if (whole.worst <= SLIP.sds) return whole;
  const isWithin = whole.worstAt > 0 && whole.worstAt < readings.length - 1;
  if (readings.length < SLIP.among || !isWithin) return null;
  const rest = lineThrough(readings.filter((_, i) => i !== whole.worstAt));
  return rest.worst <= SLIP.sds ? rest : null;
}

/** A fall within so many standard deviations of none is none (our estimate). */
const LEVEL_SDS = 2;
/** More readings than this tell no more. */
export const MOST_READINGS = 60;

export interface Stretch {
  /** The place of its first reading. */
  from: number;
  fallSg: number;
  fallSd: number;
}

/** The stretches up to the last reading whose lines fall (or rise) no more than the readings’ errors explain, the longest first; the last reading alone is one. */
export function levelStretches(readings: readonly ReadingPoint[]): Stretch[] {
  const last = readings.length - 1;
  const found: Stretch[] = [{ from: last, fallSg: 0, fallSd: Number.POSITIVE_INFINITY }];
  for (let from = last - 1; from >= Math.max(0, readings.length - MOST_READINGS); from--) {
    const line = lineBut(readings.slice(from));
    if (line !== null && Math.abs(line.fallSg) <= LEVEL_SDS * line.fallSd)
      found.unshift({ from, fallSg: line.fallSg, fallSd: line.fallSd });
  }
  return found;
}
