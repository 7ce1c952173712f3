import { describe } from 'vitest';
import { holdThresholds } from '../testing/thresholds.ts';
import { DAP_CAP_G_PER_L, HONEY_NITROGEN, grapeMustNitrogenMgPerL, nitrogenMgPerG, nitrogenNeedMgPerL } from './index.ts';

/** Bisson & Butzke's table, 27 CFR 24.246, and the trade's figures. */
describe('nitrogen', () => {
  holdThresholds([
    ['brix < 21', grapeMustNitrogenMgPerL, [20.9, null], [21, 200]],
    ['brix > 27', grapeMustNitrogenMgPerL, [27, 350], [27.1, null]],
    ['N_PER_SUGAR.low', (g) => nitrogenNeedMgPerL(g, 'low'), [100, 75], [200, 150]],
    ['N_PER_SUGAR.medium', (g) => nitrogenNeedMgPerL(g, 'medium'), [100, 90], [200, 180]],
    ['N_PER_SUGAR.high', (g) => nitrogenNeedMgPerL(g, 'high'), [100, 125], [200, 250]],
    ['N_PER_SUGAR.unknown', (g) => nitrogenNeedMgPerL(g, 'unknown'), [100, 90], [200, 180]],
    ['DAP_CAP_G_PER_L.us', (factor) => Number((factor * DAP_CAP_G_PER_L.us).toFixed(3)), [1, 0.959], [2, 1.917]],
    ['DAP_CAP_G_PER_L.eu', (factor) => factor * DAP_CAP_G_PER_L.eu, [1, 1], [2, 2]],
    [
      'HONEY_NITROGEN',
      (factor) => [HONEY_NITROGEN.low * factor, HONEY_NITROGEN.value * factor, HONEY_NITROGEN.high * factor],
      [1, [10, 20, 30]],
      [2, [20, 40, 60]],
    ],
    ['diammonium phosphate', (factor) => Number((factor * nitrogenMgPerG({ source: 'dap' }).ammonium).toFixed(1)), [1, 212.1], [2, 424.2]],
    ['organic nutrient', (factor) => factor * nitrogenMgPerG({ source: 'organic' }).amino, [1, 40], [2, 80]],
  ]);
});
