import { phValue, say } from '../../../quantities/index.ts';
import { NOT_KNOWN, finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const sour: StallCause = {
  id: 'sour',
  name: 'Too sour',
  usual: 0.7,
  weigh: ({ ph, yeast }) => {
    if (ph === null)
      return [finding(NOT_KNOWN, say`No pH on record still holds; honey buffers little, and it can fall below ${phValue(yeast.phFloor)}.`)];
    if (ph < yeast.phFloor + 0.02) return [finding(4, say`pH ${phValue(ph)}, and this yeast labors below ${phValue(yeast.phFloor)}.`)];
    if (ph < yeast.phFloor + 0.15) return [finding(0.5, say`pH ${phValue(ph)} is near what this yeast bears, ${phValue(yeast.phFloor)}.`)];
    return [finding(-4, say`pH ${phValue(ph)} is well above what this yeast bears.`)];
  },
  check: say`Measure the pH with a meter that saw two buffers this week.`,
};
