import { describe } from 'vitest';
import { holdThresholds } from '../testing/thresholds.ts';
import {
  MOLECULAR_TARGET,
  fadedSo2MgPerL,
  so2ToAddMgPerL,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  potassiumSorbateG,
  sorbateDose,
  sorbicNeededMgPerL,
  stockMl,
  sulfitePk,
  sulfiteTablets,
  withinPhOfMead,
} from './index.ts';

const to = (digits: number, value: number): number => Number(value.toFixed(digits));

/** Peynaud's and Usseglio-Tomasset's tables, the salts by their molar masses, and what the law allows. */
describe('sulfite and sorbate', () => {
  holdThresholds([
    ['abv < 10', sorbicNeededMgPerL, [9.99, 200], [10, 150]],
    ['NEED_BY_ABV', sorbicNeededMgPerL, [11, 125], [13, 75]],
    ['NEED_BY_ABV at its ends', sorbicNeededMgPerL, [12, 100], [14.01, 50]],
    ['SORBIC_IN_SORBATE', (mg) => to(4, potassiumSorbateG(mg, 1)), [100, 0.134], [200, 0.2679]],
    ['SORBIC_CAP.eu', (abv) => sorbateDose(abv, 1, 'eu').sorbicMgPerL, [5, 200], [12, 100]],
    [
      'SORBATE_IN_WATER_G_PER_100_ML',
      (liters) => to(2, sorbateDose(12, liters, 'eu').waterMl / sorbateDose(12, liters, 'eu').saltG),
      [1, 5],
      [10, 5],
    ],
    ['SO2_IN.potassium', (mg) => to(4, metabisulfiteG(mg, 1, 'potassium')), [50, 0.0868], [100, 0.1735]],
    ['SO2_IN.sodium', (mg) => to(4, metabisulfiteG(mg, 1, 'sodium')), [50, 0.0742], [100, 0.1484]],
    ['SULFITE_PK', (ph) => to(1, freeSo2NeededMgPerL(0.5, ph)), [3.4, 20], [3.6, 31.3]],
    ['PK_TABLE', (abv) => to(2, sulfitePk(abv, 19)), [10, 1.98], [15, 2.08]],
    ['PK_TABLE in warmth', (c) => to(2, sulfitePk(10, c)), [22, 2.06], [25, 2.21]],
    ['PK_TABLE beyond', (c) => to(3, sulfitePk(12, c)), [28, 2.384], [40, 2.7]],
    ['PH_OF_MEAD', withinPhOfMead, [2, 2.5], [5, 4.5]],
    ['USUAL_TABLET_G', (mg) => sulfiteTablets(mg, 4, 0.44, 'potassium').whole, [63, 1], [64, 2]],
    [
      'STRONGEST_STOCK',
      (pct) => {
        try {
          return stockMl(10, pct) > 0;
        } catch {
          return false;
        }
      },
      [50, true],
      [51, false],
    ],
    ['SO2_HALF_LIFE_DAYS', (days) => to(2, fadedSo2MgPerL(40, days, 120)), [60, 28.28], [120, 20]],
    [
      'the bound share',
      (share) => {
        try {
          return so2ToAddMgPerL(30, 0, share) > 0;
        } catch {
          return false;
        }
      },
      [0.95, true],
      [0.951, false],
    ],
    ['MOLECULAR_TARGET.dry', (factor) => MOLECULAR_TARGET.dry * factor, [1, 0.5], [2, 1]],
    ['MOLECULAR_TARGET.sweet', (factor) => MOLECULAR_TARGET.sweet * factor, [1, 0.8], [2, 1.6]],
  ]);
});
