import { describe, expect, it } from 'vitest';
import { agreesWithReference } from '../testing/agree.ts';
import {
  daysUntilFaded,
  dilutedStock,
  fadedSo2MgPerL,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  molecularSo2MgPerL,
  potassiumSorbateG,
  so2ToAddMgPerL,
  sorbateDose,
  sorbicMgPerL,
  sorbicNeededMgPerL,
  sorbicSolubilityMgPerL,
  stockMl,
  sulfitePk,
  sulfiteTablets,
} from './index.ts';
import type { SulfiteSalt } from './index.ts';

const saltOf = (name = 'potassium_metabisulfite'): SulfiteSalt => (name.startsWith('sodium') ? 'sodium' : 'potassium');

describe('sulfite and sorbate agree with the reference values', () => {
  agreesWithReference({
    molecular_so2: (i) => molecularSo2MgPerL(i.free_mg_l, i.ph),
    free_so2_needed: (i) => freeSo2NeededMgPerL(i.molecular_mg_l, i.ph),
    pk1_so2: (i) => sulfitePk(i.abv, i.t_c),
    molecular_so2_wine: (i) => molecularSo2MgPerL(i.free_mg_l, i.ph, sulfitePk(i.abv, i.t_c)),
    free_so2_needed_wine: (i) => freeSo2NeededMgPerL(i.molecular_mg_l, i.ph, sulfitePk(i.abv, i.t_c)),
    metabisulfite_grams: (i) => metabisulfiteG(i.add_so2_mg_l, i.volume_l, saltOf(i.salt)),
    so2_addition: (i) => {
      const free = freeSo2NeededMgPerL(i.molecular_mg_l, i.ph, i.pk);
      const add = so2ToAddMgPerL(free, i.free_now_mg_l ?? 0, i.bound_fraction ?? 0);
      return {
        free_needed_mg_l: free,
        add_so2_mg_l: add,
        grams: metabisulfiteG(add, i.volume_l, saltOf(i.salt)),
        total_after_mg_l: Number(i.total_now_mg_l ?? 0) + add,
      };
    },
    sulfite_tablets: (i) => {
      const { exact, whole, bringMgPerL } = sulfiteTablets(i.add_so2_mg_l, i.volume_l, i.tablet_g * (i.salt_share ?? 1), saltOf(i.salt));
      return { exact, whole, so2_mg_l_whole: bringMgPerL };
    },
    sulfite_stock_ml: (i) => stockMl(metabisulfiteG(i.add_so2_mg_l, i.volume_l, saltOf(i.salt)), i.stock_pct),
    dilute_stock: (i) => {
      const { stockMl: stock, waterMl } = dilutedStock(i.stock_pct, i.wanted_pct, i.wanted_ml);
      return { stock_ml: stock, water_ml: waterMl };
    },
    free_so2_faded: (i) => fadedSo2MgPerL(i.free_mg_l, i.days, i.half_life_days, i.volume_l, i.added_l),
    days_until_free_so2: (i) => daysUntilFaded(i.free_mg_l, i.threshold_mg_l, i.half_life_days),
    potassium_sorbate_grams: (i) => potassiumSorbateG(i.sorbic_mg_l, i.volume_l),
    sorbic_mg_l: (i) => sorbicMgPerL(i.grams, i.volume_l),
    sorbic_need_mg_l: (i) => sorbicNeededMgPerL(i.abv),
    sorbate_dose: (i) => {
      const dose = sorbateDose(i.abv, i.volume_l, i.cap === 'us_27cfr24' ? 'us' : 'eu');
      return { sorbic_mg_l: dose.sorbicMgPerL, potassium_sorbate_g: dose.saltG, water_ml: dose.waterMl };
    },
    sorbic_solubility_mg_l: (i) => sorbicSolubilityMgPerL(i.ph),
  });

  it('refuses a stock of nothing and a pH that no mead has', () => {
    expect(() => stockMl(1, 0)).toThrow(/0 % holds nothing/);
    expect(() => stockMl(1, 51)).toThrow(/between 0 and 50/);
    expect(() => freeSo2NeededMgPerL(0.8, 1)).toThrow(/2.5 and 4.5/);
    expect(() => freeSo2NeededMgPerL(0.8, 7)).toThrow(/2.5 and 4.5/);
  });

  it('fades to the level on the day that was said', () => {
    expect(fadedSo2MgPerL(40, daysUntilFaded(40, 13, 90), 90)).toBeCloseTo(13, 9);
    expect(daysUntilFaded(10, 13, 90)).toBe(0);
  });
});
