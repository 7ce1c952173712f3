import { describe } from 'vitest';
import { agreesWithReference } from '../testing/agree.ts';
import { bottleCost, bottlesNeeded, countBottles, labelAbv, planBottles, sanitizerFor } from './index.ts';
import type { LabelRule } from './index.ts';

const RULES: Record<string, LabelRule> = { eu_1169_mead: 'eu mead', eu_1169_fruit: 'eu fruit mead', us_27cfr4: 'us' };

describe('bottles agree with the reference values', () => {
  agreesWithReference({
    bottles: (i) => {
      const { full, remainderMl } = countBottles(i.volume_l, i.bottle_ml, i.loss_l, i.loss_pct);
      return { full, remainder_ml: remainderMl };
    },
    bottle_plan: (i) => {
      const sizes = (i.sizes as { ml: number; count: number }[]).map(({ ml, count }) => ({ sizeMl: ml, count }));
      const { full, bottles, remainderMl } = planBottles(i.volume_l, sizes, i.loss_l, i.loss_pct);
      return { first: full[0], second: full[1], third: full[2], bottles, remainder_ml: remainderMl };
    },
    bottles_needed: (i) => {
      const { full, needed, partMl } = bottlesNeeded(i.volume_l, i.bottle_ml, i.loss_l);
      return { full, needed, part_ml: partMl };
    },
    cost_per_bottle: (i) => {
      const { perBottle, perL, total } = bottleCost(i.batch_cost, i.full_bottles, i.each_cost, i.bottle_ml);
      return { per_bottle: perBottle, per_l: perL, total };
    },
    label_abv: (i) => labelAbv(i.abv, RULES[i.rule as string]!),
    sanitizer: (i) => {
      const { concentrateMl, waterL } = sanitizerFor(i.dose_ml, i.per_l, i.make_l);
      return { concentrate_ml: concentrateMl, water_l: waterL };
    },
  });
});
