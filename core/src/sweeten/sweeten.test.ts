import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaugePressureBar, residualCo2Volumes } from '../carbonate/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { liquidFromMeasured } from '../liquid/mixture.ts';
import { isRough } from '../quantities/index.ts';
import { referenceCases } from '../reference/cases.ts';
import { honeyToReachG, scaleFromGlassG, sugarRange, sweeten, whatItWouldBecome } from './index.ts';

const measured = (volumeL: number, sg: number, abv: number) => {
  const { waterG, extractG, ethanolG } = liquidFromMeasured(volumeL, sg, abv);
  return { waterG, ethanolG, sugarG: extractG, unfermentableG: 0, insolubleG: 0 };
};
const allSolids = (moisture: number) => ({ moisture, unfermentable: 0 });

const compute: Record<string, (i: Record<string, number>) => unknown> = {
  backsweeten: (i) => {
    const result = sweeten(measured(i['volume_l']!, i['sg']!, i['abv']!), i['honey_g']!, allSolids(i['moisture']!));
    return { sg: result.sg, volume_l: result.volumeL, abv: result.abv, residual_g_l: result.extractGPerL };
  },
  backsweeten_target: (i) => {
    const mead = measured(i['volume_l']!, i['sg']!, i['abv']!);
    const honeyG = honeyToReachG(mead, allSolids(i['moisture']!), { sg: i['target_sg']! });
    return { honey_g: honeyG, abv: sweeten(mead, honeyG, allSolids(i['moisture']!)).abv };
  },
  bench_scale: (i) => scaleFromGlassG(i['grams_in_glass']!, i['glass_ml']!, i['batch_l']!),
  residual_co2: (i) => residualCo2Volumes(i['t_c']!),
  gauge_pressure_bar: (i) => gaugePressureBar(i['volumes']!, i['t_c']!),
};

describe('sweetening and gas agree with the reference values', () => {
  for (const [name, run] of Object.entries(compute)) {
    it.each(referenceCases(name).map((c) => [c.id, c] as const))(`${name}: %s`, (_id, c) => {
      expect(c.differences(() => run(c.inputs))).toEqual([]);
    });
  }
});

describe('sweetening with honey', () => {
  const honey = { moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable };

  it('reaches the gravity or the sugar that was asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: 8, max: 15, noNaN: true }),
        fc.double({ min: 1.005, max: 1.03, noNaN: true }),
        (volumeL, abv, target) => {
          const mead = measured(volumeL, 0.998, abv);
          expect(sweeten(mead, honeyToReachG(mead, honey, { sg: target }), honey).sg).toBeCloseTo(target, 7);
          const wanted = sweeten(mead, 0, honey).sugarGPerL + 20;
          expect(sweeten(mead, honeyToReachG(mead, honey, { sugarGPerL: wanted }), honey).sugarGPerL).toBeCloseTo(wanted, 5);
        },
      ),
      { numRuns: 50, seed: 2 },
    );
  });

  it('says what the honey would become where nothing holds the yeast back', () => {
    const mead = { ...measured(4.7, 1.002, 11), sugarG: 10, unfermentableG: 150 };
    const fate = whatItWouldBecome(mead, 100, honey, 14);
    expect(fate.moreAbv).toBeGreaterThan(0.7);
    expect(fate.moreAbv).toBeLessThan(1.3);
    expect(fate.co2Volumes).toBeGreaterThan(4);
    expect(fate.pressureBar).toBeGreaterThan(3);
    expect(whatItWouldBecome(mead, 100, honey, 10).moreAbv).toBe(0);
  });
});

describe('sugar that is mostly doubt', () => {
  const dry = { waterG: 880, sugarG: 9, unfermentableG: 8, ethanolG: 100, insolubleG: 0 };
  const honey = { moisture: 0.172, unfermentable: 0.032 };
  it('stays as unsure as it was, by grams, however much weighed honey goes in, and is never below nothing', () => {
    const before = { value: sweeten(dry, 0, honey).sugarGPerL, low: 0, high: 15 };
    const after = sugarRange(sweeten(dry, 40, honey), before);
    expect(after.high - after.value).toBeCloseTo(before.high - before.value, 9);
    expect(isRough(before)).toBe(true);
    expect(isRough(after)).toBe(false);
    expect(sugarRange(sweeten(dry, 0, honey), { value: 20, low: 0, high: 30 }).low).toBe(0);
  });
});
