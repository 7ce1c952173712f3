import { abvPct, say } from '../../../quantities/index.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const tolerance: StallCause = {
  id: 'tolerance',
  name: 'Near what its yeast tolerates',
  usual: 0.3,
  weigh: ({ abv, yeast }) => {
    const { low, high } = yeast.toleranceAbv;
    if (abv >= low - 1) return [finding(1.5, say`${abvPct(abv)}, and this yeast gives up between ${abvPct(low)} and ${abvPct(high)}.`)];
    if (abv >= low - 3) return [finding(-1, say`${abvPct(abv)} is short of the ${abvPct(low)} at which this yeast may give up.`)];
    return [finding(-4, say`${abvPct(abv)} is far from the ${abvPct(low)} at which this yeast may give up.`)];
  },
  check: say`Read on the packet what this yeast tolerates, and whether the first gravity was read well mixed.`,
};
