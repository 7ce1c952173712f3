import { degrees, say } from '../../../quantities/index.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const swing: StallCause = {
  id: 'swing',
  name: 'A sudden chill',
  usual: 0.2,
  weigh: ({ largestFallC, tempC: now, yeast }) => {
    if (largestFallC === null) return [finding(-0.5, say`Too few temperatures to tell of a swing.`)];
    if (largestFallC >= 4)
      return [
        finding(
          now !== null && now < yeast.tempC.low ? 1 : 3,
          say`It fell by ${degrees(largestFallC)} within three days before it stopped; yeast then sinks.`,
        ),
      ];
    return [finding(-2, say`No fall of more than a few degrees before it stopped.`)];
  },
  check: say`Ask what the room did in the nights before it stopped.`,
};
