import { describe, expect, it } from 'vitest';
import { ETHANOL_20_KG_PER_M3, extractGPerLFromSg, mix } from './index.ts';
import { ethanolMassFractionFromAbv } from './ethanol.ts';
import { ethanolWaterDensityKgPerM3 } from './ethanol.ts';
import { sgFromExtractGPerL } from './sucrose.ts';
import { ethanolWaterDensityFromGPerL } from './ethanol.ts';

describe('tables read as the relations they stand for', () => {
  it('sugar: gravity to grams and back', () => {
    for (let sg = 0.985; sg < 1.3; sg += 0.00717) expect(sgFromExtractGPerL(extractGPerLFromSg(sg))).toBeCloseTo(sg, 8);
  });

  it('ethanol: grams and strength agree', () => {
    for (const abv of [0, 0.3, 4.7, 12.1, 18.6, 40]) {
      const direct = ethanolWaterDensityKgPerM3(ethanolMassFractionFromAbv(abv));
      expect(Math.abs(ethanolWaterDensityFromGPerL((abv / 100) * ETHANOL_20_KG_PER_M3) - direct)).toBeLessThan(1e-3);
    }
  });

  it('honey alone weighs what honey weighs', () => {
    expect(mix({ waterG: 172, extractG: 828, ethanolG: 0 }).sg).toBeCloseTo(1.42, 1);
  });
});
