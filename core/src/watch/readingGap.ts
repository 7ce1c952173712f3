import { expectedAt } from '../course/index.ts';
import type { Course } from '../course/index.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** A reading is worth taking once so much more of the sugar should be gone; our estimate, as are the bounds. */
const WORTH_SHARE = 0.12;
const GAP_H = { least: 36, most: 168 } as const;
/** Until a reading has told its pace. */
const FIRST_GAP_H = 60;

/** How long a gap between readings is sensible now, h: short while the gravity falls fast, a week at most. */
export function readingGapH(course: Course | null): number {
  if (course?.isMeasured !== true) return FIRST_GAP_H;
  const untilH = (expectedAt(course, Math.min(0.99, course.share + WORTH_SHARE)) - course.at) / HOUR_MS;
  return Math.min(GAP_H.most, Math.max(GAP_H.least, untilH));
}
