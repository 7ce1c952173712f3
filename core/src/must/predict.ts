import { assumptionInputs, assumptionsFrom } from '../ledger/index.ts';
import { mix } from '../liquid/index.ts';
import { propagate } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L, afterSugar, stopsAt, yeastType } from '../yeast/index.ts';
import { composeMust } from './compose.ts';
import type { MustPlan } from './plan.ts';

export type MustFigure = 'volumeL' | 'og' | 'abvDry' | 'abv' | 'fg' | 'sugarLeftGPerL' | 'sugarGPerL';

/** What a plan makes, each figure with its 10–90 % range (first-order propagation over the ledger's assumptions, tolerance and dryness). */
export function predictMust(plan: MustPlan): Record<MustFigure, Ranged> {
  const { toleranceAbv } = yeastType(plan.yeastId);
  const inputs = [toleranceAbv, DRY_SUGAR_G_PER_L, ...assumptionInputs(['mustReadingBias', 'readingBias'])];
  return propagate<MustFigure>(inputs, ([tolerance = 0, drySugar = 0, ...assumed]) => {
    const assumptions = assumptionsFrom(assumed);
    const must = composeMust(plan.honeys, plan.waterL, assumptions);
    const mixed = mix({ waterG: must.waterG, extractG: must.sugarG + must.unfermentableG, ethanolG: 0 });
    const stop = stopsAt(must, tolerance, drySugar, assumptions);
    return {
      volumeL: mixed.volumeL,
      og: mixed.sg,
      sugarGPerL: must.sugarG / mixed.volumeL,
      abvDry: afterSugar(must, must.sugarG, assumptions).abv,
      abv: stop.abv,
      fg: stop.sg,
      sugarLeftGPerL: stop.sugarGPerL,
    };
  });
}
