import { describe } from 'vitest';
import { agreesWithReference } from '../testing/agree.ts';
import type { AcidId, DeacidifierId } from './index.ts';
import { acidForRiseG, deacidified, deacidifyG, taAs, taRiseGPerL } from './index.ts';

const acidOf = (name: string): AcidId => name.replace('_', ' ') as AcidId;
const saltOf = (name: string): DeacidifierId => name.replace('_', ' ') as DeacidifierId;

describe('acid agrees with the reference values', () => {
  agreesWithReference({
    ta_change: (i) => taRiseGPerL(i.grams, i.volume_l, acidOf(i.acid)),
    acid_grams: (i) => acidForRiseG(i.ta_rise_g_l, i.volume_l, acidOf(i.acid)),
    ta_convert: (i) => taAs(i.value_g_l, acidOf(i.unit_from), acidOf(i.unit_to)),
    deacidify: (i) => {
      const { fallGPerL, afterGPerL, co2G } = deacidified(i.grams, i.volume_l, saltOf(i.salt), i.ta_now_g_l);
      return { ta_fall_g_l: fallGPerL, ta_after_g_l: afterGPerL, co2_g: co2G };
    },
    deacidify_grams: (i) => deacidifyG(i.ta_fall_g_l, i.volume_l, saltOf(i.salt)),
  });
});
