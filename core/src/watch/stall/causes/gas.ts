import { hours, say } from '../../../quantities/index.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const gas: StallCause = {
  id: 'gas',
  name: 'Full of gas',
  usual: 0.1,
  weigh: ({ gassyDays }) => {
    if (gassyDays >= 7)
      return [finding(0.5, say`Nothing stirred its gas out for ${hours(24 * gassyDays)}; in so much of it yeast labors.`)];
    return [finding(gassyDays <= 3 ? -3 : -1, say`It has gathered gas for ${hours(24 * gassyDays)} only.`)];
  },
  check: say`Stir a glass of it, and see how much it foams.`,
};
