import { expectedShares } from '../course/index.ts';
import type { Course } from '../course/index.ts';
import { gravity, points, say, when } from '../quantities/index.ts';
import type { Ranged, Sentence } from '../quantities/index.ts';
import { sgAtShare } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';

/**
 * What a hydrometer is expected to show at a moment after the pitch, SG at 20 °C, with the 10–90 % range of its course.
 * @param at ms since 1970 UTC
 */
export function expectedGravity(course: Course, ledger: Ledger, at: number): Ranged {
  const gone = expectedShares(course, at);
  return { value: sgAtShare(ledger, gone.value), low: sgAtShare(ledger, gone.high), high: sgAtShare(ledger, gone.low) };
}

const pointsBetween = (a: number, b: number): number => Math.round(Math.abs(a - b) * 1000);

/**
 * How a gravity that was just read lies to what is expected and to the last one, for whoever still has the glass in hand.
 * @param read SG at 20 °C with its ±
 * @param expected null where nothing is
 * @param last the last one that the record follows; null for the first
 */
export function besideExpected(
  { sg, plusMinus }: { sg: number; plusMinus: number },
  expected: Ranged | null,
  last: { sg: number; at: number } | null,
): Sentence {
  const isAsExpected = expected !== null && sg >= expected.low - plusMinus && sg <= expected.high + plusMinus;
  const against: Sentence =
    expected === null
      ? []
      : isAsExpected
        ? say`as expected`
        : say`${points(pointsBetween(sg, expected.value))} ${sg > expected.value ? 'above' : 'below'} the ${gravity(expected.value)} that is expected`;
  if (last === null) return against;
  const gap = pointsBetween(sg, last.sg);
  const since: Sentence =
    gap === 0 ? say`the same as ${when(last.at)}` : say`${points(gap)} ${sg > last.sg ? 'above' : 'below'} ${when(last.at)}`;
  return against.length === 0 ? since : [...against, ', ', ...since];
}
