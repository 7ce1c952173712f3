import { mgPerL, say } from '../../../quantities/index.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';
import { SO2_HINDERS_MG_PER_L, SORBIC_STOPS_MG_PER_L } from '../limits.ts';

export const preservative: StallCause = {
  id: 'preservative',
  name: 'A preservative',
  usual: 0.3,
  weigh: ({ sorbicMgPerL, so2MgPerL, hasJuice, shareGone }) => {
    if (sorbicMgPerL >= SORBIC_STOPS_MG_PER_L)
      return [finding(4.5, say`${mgPerL(sorbicMgPerL)} of sorbic acid are in it: it hardly goes on.`)];
    if (so2MgPerL > SO2_HINDERS_MG_PER_L) return [finding(3.5, say`${mgPerL(so2MgPerL)} of sulfite, as SO₂, went into it.`)];
    if (sorbicMgPerL > 0) return [finding(1, say`${mgPerL(sorbicMgPerL)} of sorbic acid are in it: they hinder it.`)];
    if (hasJuice && shareGone < 0.15) return [finding(3, say`It holds bought juice or syrup and never got going.`)];
    return [finding(hasJuice ? -2 : -4, say`${hasJuice ? 'It holds bought juice, but got going.' : 'Nothing in it comes preserved.'}`)];
  },
  check: say`Read the labels of juice, syrup and fruit for sorbate, benzoate or sulfite.`,
};
