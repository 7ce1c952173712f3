import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { referenceCases } from '../reference/cases.ts';
import { agreesWithReference } from '../testing/agree.ts';
import {
  HEAT_CAPACITY,
  alcoholByBalance,
  blend,
  ferment,
  fermentedFromSg,
  honeyToReach,
  litersAt20,
  massForTemperature,
  meadKgPerM3,
  mix,
  mixedTemperature,
  shareOfFirst,
  thinMead,
  undilutedSg,
  waterToReach,
} from './index.ts';
import { waterToReachByPoints } from './adjust.ts';

type Numbers = Record<string, number>;
const cases = (name: string) => referenceCases(name).map((c) => [c.id, c] as const);

describe('what is measured, warm or cold, together or thinned, agrees with the reference values', () => {
  const measuredOf = (m: Numbers) => ({ volumeL: m['volume_l']!, sg: m['sg']!, abv: m['abv']! });
  agreesWithReference({
    mead_density: (i) => meadKgPerM3(i.sg, i.abv, i.t_c),
    volume_at_20: (i) => litersAt20(i.volume_l, i.t_c, i.sg, i.abv),
    blend_many: (i) => {
      const { volumeL, sg, abv, extractGPerL } = blend((i.parts as Numbers[]).map(measuredOf));
      return { volume_l: volumeL, sg, abv, residual_g_l: extractGPerL, mass_g: volumeL * sg * 998.2 };
    },
    thin_mead: (i) => {
      const { waterL, volumeL, sg, abv, extractGPerL } = thinMead(
        measuredOf(i),
        i.target_sg === undefined ? { abv: i.target_abv } : { sg: i.target_sg },
      );
      return { water_l: waterL, final_volume_l: volumeL, sg, abv, residual_g_l: extractGPerL };
    },
    mix_temperature_heat: (i) =>
      mixedTemperature((i.parts as Numbers[]).map((p) => ({ massKg: p['mass_kg']!, heatCapacity: p['cp_kj_kgk']!, tempC: p['t_c']! }))),
    mass_for_temperature: (i) =>
      massForTemperature(
        { massKg: i.mass_kg, heatCapacity: i.cp_kj_kgk, tempC: i.t_c },
        { heatCapacity: i.add_cp_kj_kgk, tempC: i.add_t_c },
        i.target_c,
      ),
  });

  it('warms what was given with as much as was said', () => {
    const must = { massKg: 15, heatCapacity: HEAT_CAPACITY.must, tempC: 18 };
    const hot = { heatCapacity: HEAT_CAPACITY.water, tempC: 80 };
    const massKg = massForTemperature(must, hot, 30);
    expect(mixedTemperature([must, { ...hot, massKg }])).toBeCloseTo(30, 9);
    expect(() => massForTemperature(must, hot, 81)).toThrow(Refusal);
    expect(() => mixedTemperature([])).toThrow(Refusal);
  });
});

describe('thinning, thickening, blending', () => {
  it.each(cases('water_to_reach'))('%s', (_id, c) => {
    const { volume_l, sg, target_sg } = c.inputs as Numbers;
    expect(
      c.differences(() => {
        const { waterL, finalVolumeL } = waterToReach(volume_l!, sg!, target_sg!);
        return { water_l: waterL, final_volume_l: finalVolumeL };
      }),
    ).toEqual([]);
  });

  it.each(cases('water_to_reach_linear'))('%s', (_id, c) => {
    const { volume_l, sg, target_sg } = c.inputs as Numbers;
    expect(c.differences(() => waterToReachByPoints(volume_l!, sg!, target_sg!))).toEqual([]);
  });

  it.each(cases('blend'))('%s', (_id, c) => {
    const { a, b } = c.inputs as { a: Numbers; b: Numbers };
    const measured = (m: Numbers) => ({ volumeL: m['volume_l']!, sg: m['sg']!, abv: m['abv']! });
    expect(
      c.differences(() => {
        const { abv, sg, volumeL } = blend([measured(a), measured(b)]);
        return { abv, sg, volume_l: volumeL };
      }),
    ).toEqual([]);
  });

  it.each(cases('pearson_square'))('%s', (_id, c) => {
    const { a, b, target } = c.inputs as Numbers;
    expect(c.differences(() => ({ fraction_a: shareOfFirst(a!, b!, target!) }))).toEqual([]);
  });

  it('thickens with honey what water thinned', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.03, max: 1.12, noNaN: true }), fc.double({ min: 0.002, max: 0.05, noNaN: true }), (sg, up) => {
        const { honeyG, finalVolumeL } = honeyToReach(10, sg, sg + up, 0.172);
        expect(honeyG).toBeGreaterThan(0);
        const { finalVolumeL: thinned } = waterToReach(finalVolumeL, sg + up, sg);
        expect(thinned).toBeGreaterThan(10);
      }),
      { numRuns: 60, seed: 2 },
    );
    expect(() => honeyToReach(10, 1.1, 1.09, 0.172)).toThrow(Refusal);
  });

  it('reads back a sample that was diluted, by mass and by volume', () => {
    // 1:1 by mass halves the Brix: 30 °Bx (1.1290) reads as 15 °Bx (1.0611).
    expect(undilutedSg(1.0611, 1, 1, 'mass')).toBeCloseTo(1.129, 3);
    const byVolume = undilutedSg(1.0611, 1, 1, 'volume');
    expect(byVolume).toBeCloseTo(1.1216, 3);
    expect(waterToReach(1, byVolume, 1.0611).waterL).toBeCloseTo(1, 3);
    expect(() => undilutedSg(1.19, 1, 9, 'volume')).toThrow(/Diluted so far/);
    expect(() => undilutedSg(1.05, 0, 1, 'volume')).toThrow(Refusal);
  });
});

describe('the edges of a must', () => {
  it('a gravity that never fell made no alcohol, by balance', () => {
    for (let sg = 1; sg <= 1.2; sg += 0.0017) expect(alcoholByBalance(sg, sg).abv).toBeCloseTo(0, 2);
    expect(() => alcoholByBalance(1.05, 1.051)).toThrow(/nothing can have fermented/);
  });

  it('what is dry is something too: sugar or acid alone has a mass and no strength', () => {
    const sugar = mix({ waterG: 0, extractG: 200, ethanolG: 0 });
    expect(sugar.volumeL).toBeGreaterThan(0.1);
    expect(sugar.abv).toBe(0);
    expect(() => mix({ waterG: 0, extractG: 0, ethanolG: 0 })).toThrow(/nothing in the vessel/);
  });

  it('a must read back to its own gravity holds no less than no alcohol, whatever was rounded', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 3000, noNaN: true }), fc.double({ min: 0.02, max: 0.35, noNaN: true }), (waterG, share) => {
        const must = { waterG, extractG: waterG * share, ethanolG: 0 };
        const back = ferment(must, fermentedFromSg(must, mix(must).sg));
        expect(back.ethanolG).toBeGreaterThanOrEqual(0);
        expect(mix(back).sg).toBeCloseTo(mix(must).sg, 9);
      }),
      { numRuns: 300, seed: 2 },
    );
  });
});
