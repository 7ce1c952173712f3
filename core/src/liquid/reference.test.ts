import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { referenceCases } from '../reference/cases.ts';
import { celsiusToF } from '../quantities/index.ts';
import { volumeToL } from '../quantities/units.ts';
import { fahrenheitToC } from '../quantities/units.ts';
import {
  alcoholByBalance,
  alcoholByRule,
  brixFromSg,
  correctedSg,
  extractGPerLFromSg,
  hydrometerReading,
  mix,
  pourTogether,
  sgFromBrix,
} from './index.ts';
import { residualExtractGPerL } from './mixture.ts';
import { potentialAbv } from './fermentation.ts';
import { refractometerFg } from './refractometer.ts';
import { ethanolMassFractionFromAbv } from './ethanol.ts';
import { sgAtFractionFermented } from './fermentation.ts';
import { liquidFromMeasured } from './mixture.ts';
import { ETHANOL_PER_EXTRACT } from './fermentation.ts';
import { WATER_20_KG_PER_M3, waterDensityKgPerM3 } from './water.ts';
import { ethanolWaterDensityKgPerM3 } from './ethanol.ts';
import { sgAtFractionToFg } from './fermentation.ts';

interface Measured {
  volume_l: number;
  sg: number;
  abv: number;
}

const compute: Record<string, (i: Record<string, number>) => unknown> = {
  water_density: (i) => waterDensityKgPerM3(i['t_c']!),
  brix_to_sg: (i) => sgFromBrix(i['brix']!),
  sg_to_brix: (i) => brixFromSg(i['sg']!),
  sugar_g_per_l: (i) => extractGPerLFromSg(i['sg']!),
  ethanol_water_density: (i) => ethanolWaterDensityKgPerM3(i['p']!, i['t_c'] ?? 20),
  mass_fraction_from_abv: (i) => ethanolMassFractionFromAbv(i['abv']!),
  residual_extract: (i) => residualExtractGPerL(i['sg']!, i['abv']!),
  abv_simple: (i) => alcoholByRule.simple(i['og']!, i['fg']!, i['k'] as 135),
  abv_hall: (i) => alcoholByRule.quotient(i['og']!, i['fg']!),
  abv_mass_balance: (i) => {
    const { abv, abw, residualGPerL } = alcoholByBalance(i['og']!, i['fg']!);
    return { abv, abw, residual_g_l: residualGPerL };
  },
  potential_abv: (i) => potentialAbv(i['og']!, i['fermentable_fraction']),
  dry_sg: (i) => sgAtFractionFermented(i['og']!, 1),
  sugar_break_sg: (i) => sgAtFractionFermented(i['og']!, i['fraction']!),
  sugar_break_to_fg: (i) => sgAtFractionToFg(i['og']!, i['fg']!, i['fraction']!),
  hydrometer_correct: (i) => atCalibration(i['reading']!, i['t_c']!, i['cal_c']!),
  refractometer_fg: (i) => refractometerFg(i['original_brix']!, i['current_brix']!, ETHANOL_PER_EXTRACT),
  f_to_c: (i) => fahrenheitToC(i['f']!),
  c_to_f: (i) => celsiusToF(i['c']!),
  convert: (i) => {
    const factors: Record<string, number> = {
      us_gal_to_l: volumeToL(1, 'us_gal'),
      us_floz_to_ml: volumeToL(1, 'us_floz') * 1000,
      uk_floz_to_ml: volumeToL(1, 'uk_floz') * 1000,
    };
    return i['value']! * factors[i['unit'] as unknown as string]!;
  },
  blend: (i) => {
    const [a, b] = [i['a'], i['b']].map((m) => {
      const measured = m as unknown as Measured;
      return liquidFromMeasured(measured.volume_l, measured.sg, measured.abv);
    });
    const { abv, sg, volumeL } = mix(pourTogether(a!, b!));
    return { abv, sg, volume_l: volumeL };
  },
};

/** The cases mean SG at the instrument’s own temperature; the ledger keeps 20/20. */
const atCalibration = (reading: number, tempC: number, calibrationC: number, abv?: number): number =>
  hydrometerReading(correctedSg(reading, tempC, calibrationC, abv), calibrationC, calibrationC, abv);

describe('warm and cold samples agree with the reference values, within half their tolerance', () => {
  it.each(referenceCases('hydrometer_correct_mead').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const { reading, t_c, abv, cal_c = 20 } = c.inputs as Record<string, number>;
    expect(c.differences(() => atCalibration(reading!, t_c!, cal_c, abv), 0.5)).toEqual([]);
  });
  it.each(referenceCases('hydrometer_reading_mead').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const { sg, t_c, abv } = c.inputs as Record<string, number>;
    expect(c.differences(() => hydrometerReading(sg!, t_c!, 20, abv), 0.5)).toEqual([]);
  });
  it.each([
    [25, 0.4],
    [40, 1.3],
    [10, -1.1],
  ])('a must of 1.100 read at %d °C: water alone is off by %d points', (tempC, pointsLow) => {
    const asWater = (1.1 * WATER_20_KG_PER_M3) / waterDensityKgPerM3(tempC) / (1 + 25e-6 * (tempC - 20));
    expect(1000 * (correctedSg(1.1, tempC, 20) - asWater)).toBeCloseTo(pointsLow, 0);
  });
  it('reads back what it corrected, whatever the sample', () => {
    const any = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(any(0.99, 1.15), any(1, 45), any(0, 16), fc.constantFrom(20, 15.56), (sg, tempC, abv, calibrationC) => {
        const shown = hydrometerReading(sg, tempC, calibrationC, abv);
        expect(correctedSg(shown, tempC, calibrationC, abv)).toBeCloseTo(sg, 6);
      }),
    );
  });
});

describe('liquids agree with the reference values', () => {
  for (const [name, run] of Object.entries(compute)) {
    it.each(referenceCases(name).map((c) => [c.id, c] as const))(`${name}: %s`, (_id, reference) => {
      expect(reference.differences(() => run(reference.inputs))).toEqual([]);
    });
  }
});
