import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CENTRAL_ASSUMPTIONS, MEAN_HONEY } from '../ledger/index.ts';
import { mix } from '../liquid/index.ts';
import { Refusal, massToG, volumeToL } from '../quantities/index.ts';
import { referenceCases } from '../reference/cases.ts';
import { USUAL_VESSELS } from '../vessel/index.ts';
import { composeMust, judgeMust, predictMust, solveMust } from './index.ts';
import type { MustPlan, PlannedHoney } from './index.ts';

const honey = (massG: number, moisture: number = MEAN_HONEY.moisture): PlannedHoney => ({
  name: 'linden',
  massG,
  moisture,
  unfermentable: MEAN_HONEY.unfermentable,
});
const mixed = (honeys: PlannedHoney[], waterL: number) => {
  const must = composeMust(honeys, waterL, CENTRAL_ASSUMPTIONS);
  return { ...mix({ waterG: must.waterG, extractG: must.sugarG + must.unfermentableG, ethanolG: 0 }), sugarG: must.sugarG };
};
const plan = (over: Partial<MustPlan> = {}): MustPlan => ({
  honeys: [honey(1500)],
  waterL: 4,
  yeastId: 'allround',
  vessel: USUAL_VESSELS[2]!,
  roomTempC: 19,
  ...over,
});

interface ReferenceMust {
  honeys: { mass_g: number; moisture: number; sugar_fraction: number }[];
  water_g?: number;
}

describe('a must by mass balance', () => {
  const ids = ['must-trad-10L', 'must-strong', 'must-real-total_solids', 'must-negative'];
  it.each(
    referenceCases('must')
      .filter((c) => ids.includes(c.id))
      .map((c) => [c.id, c] as const),
  )('%s', (_id, c) => {
    const inputs = c.inputs as ReferenceMust;
    expect(
      c.differences(() => {
        const honeys = inputs.honeys.map((h) => ({
          name: 'h',
          massG: h.mass_g,
          moisture: h.moisture,
          unfermentable: 1 - h.moisture - h.sugar_fraction,
        }));
        const { sg, volumeL, sugarG } = mixed(honeys, (inputs.water_g ?? 0) / 998.2034);
        return { sg, liquid_volume_l: volumeL, sugar_g: sugarG };
      }),
    ).toEqual([]);
  });

  it.each(referenceCases('sg_made_up_to').map((c) => [c.id, c] as const))('made up to volume: %s', (_id, c) => {
    const { honey_g, volume_l, moisture } = c.inputs as Record<string, number>;
    const held = { volumeL: volume_l!, honeyG: honey_g! };
    const { waterL } = solveMust(held, [honey(honey_g!, moisture)], 'allround');
    expect(c.differences(() => mixed([honey(honey_g!, moisture)], waterL).sg)).toEqual([]);
  });

  it.each(
    referenceCases('honey_for_target')
      .filter((c) => c.inputs.sugar_fraction === undefined)
      .map((c) => [c.id, c] as const),
  )('%s', (_id, c) => {
    const { sg, volume_l, moisture } = c.inputs as Record<string, number>;
    expect(
      c.differences(() => {
        const solved = solveMust({ og: sg!, volumeL: volume_l! }, [honey(1, moisture)], 'allround');
        return { honey_g: solved.honeyG, water_g: solved.waterL * 998.2034 };
      }),
    ).toEqual([]);
  });
});

describe('holding two things fixed', () => {
  const volume = fc.double({ min: 1, max: 30, noNaN: true });
  const og = fc.double({ min: 1.03, max: 1.16, noNaN: true });

  it('predicts what was asked for, whichever two are held', () => {
    fc.assert(
      fc.property(volume, og, fc.double({ min: 0.15, max: 0.21, noNaN: true }), (volumeL, wantedOg, moisture) => {
        const honeys = [honey(1, moisture), { ...honey(2, 0.17), name: 'heather' }];
        const first = solveMust({ volumeL, og: wantedOg }, honeys, 'allround');
        const scaled = honeys.map((h) => ({ ...h, massG: (h.massG * first.honeyG) / 3 }));
        const made = mixed(scaled, first.waterL);
        expect(made.sg).toBeCloseTo(wantedOg, 6);
        expect(made.volumeL).toBeCloseTo(volumeL, 5);
        const byHoney = solveMust({ volumeL, honeyG: first.honeyG }, honeys, 'allround');
        expect(byHoney.waterL).toBeCloseTo(first.waterL, 4);
        const byGravity = solveMust({ og: wantedOg, honeyG: first.honeyG }, honeys, 'allround');
        expect(byGravity.waterL).toBeCloseTo(first.waterL, 4);
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  it('meets an alcohol and a sweetness as its own prediction reads them', () => {
    const abv = solveMust({ abv: 11, volumeL: 5 }, [honey(1)], 'allround');
    expect(predictMust(plan({ honeys: [honey(abv.honeyG)], waterL: abv.waterL })).abv.value).toBeCloseTo(11, 3);
    const sweet = solveMust({ sweetnessGPerL: 40, volumeL: 5 }, [honey(1)], 'allround');
    const figures = predictMust(plan({ honeys: [honey(sweet.honeyG)], waterL: sweet.waterL }));
    expect(figures.sugarLeftGPerL.value).toBeCloseTo(40, 2);
    expect(figures.abv.value).toBeCloseTo(14, 3);
  });

  it.each([
    [{ og: 1.1, abv: 12 }, /both set how strong/],
    [{ og: 1.45, volumeL: 1 }, /cannot be planned/],
    [{ abv: 16, volumeL: 5 }, /stops near 14/],
    [{ sweetnessGPerL: 1, volumeL: 5 }, /leaves the strength open/],
    [{ honeyG: 8000, volumeL: 5 }, /alone fills/],
    [{ volumeL: 5 }, /exactly two/],
  ])('refuses %j with a sentence', (holds, sentence) => {
    expect(() => solveMust(holds, [honey(1)], 'allround')).toThrow(sentence);
    expect(() => solveMust(holds, [honey(1)], 'allround')).toThrow(Refusal);
  });

  it('is the same must in pounds and gallons as in kilograms and liters', () => {
    const metric = solveMust({ og: 1.1, volumeL: 18.92705892 }, [honey(1)], 'allround');
    const us = solveMust({ og: 1.1, volumeL: volumeToL(5, 'us_gal') }, [honey(massToG(1, 'lb'))], 'allround');
    expect(us.honeyG).toBeCloseTo(metric.honeyG, 6);
  });
});

describe('what a plan makes', () => {
  it('gives every figure a range around its value', () => {
    for (const [name, figure] of Object.entries(predictMust(plan()))) {
      expect(figure.low, name).toBeLessThanOrEqual(figure.value);
      expect(figure.high, name).toBeGreaterThanOrEqual(figure.value);
      expect(figure.high - figure.low, name).toBeGreaterThan(0);
    }
  });

  it('ends a dry traditional where dry meads are read, not where sugar alone would put it', () => {
    const { honeyG, waterL } = solveMust({ og: 1.098, volumeL: 5 }, [honey(1)], 'strong');
    const { fg } = predictMust(plan({ honeys: [honey(honeyG)], waterL, yeastId: 'strong' }));
    expect(fg.value).toBeGreaterThan(0.984);
    expect(fg.value).toBeLessThan(0.998);
  });

  it('warns of too little headspace, of overflow, of cold and of a start too strong', () => {
    const ids = (p: MustPlan): string[] =>
      judgeMust(p)
        .filter((v) => v.weight !== 'note')
        .map((v) => v.id);
    expect(ids(plan())).toEqual([]);
    expect(ids(plan({ vessel: USUAL_VESSELS[0]! }))).toContain('headspace');
    expect(ids(plan({ vessel: USUAL_VESSELS[1]! }))).toContain('overflow');
    expect(ids(plan({ roomTempC: 12 }))).toContain('temperature');
    expect(ids(plan({ honeys: [honey(3000)] }))).toContain('start');
  });
});
