import { say, tempC } from '../../../quantities/index.ts';
import { NOT_KNOWN, finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const cold: StallCause = {
  id: 'cold',
  name: 'Too cold',
  usual: 1.2,
  weigh: ({ tempC: now, yeast }) => {
    if (now === null) return [finding(NOT_KNOWN, say`No temperature is on record.`)];
    const under = yeast.tempC.low - now;
    if (under >= 0.5)
      return [
        finding(under >= 2 ? 4 : 2.5, say`${tempC(now)}, and this yeast wants ${tempC(yeast.tempC.low)} to ${tempC(yeast.tempC.high)}.`),
      ];
    return [finding(-4, say`${tempC(now)} is warm enough for it.`)];
  },
  check: say`Measure the temperature in the must itself, in the early morning.`,
};
