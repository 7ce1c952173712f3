import { describe, expect, it } from 'vitest';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import { seeded } from '../numerics/index.ts';
import { referenceCases } from '../reference/cases.ts';
import { costOf, drawMust, lackOf, planOf, plannedFrom, plannedHoney, predictMust } from './index.ts';
import { composeMust } from './compose.ts';
import { measureMust } from './measure.ts';
import { solveMust } from './solve.ts';
import { mixMust } from './compose.ts';
import { centralCourse } from './predict.ts';
import type { PlannedIngredient } from './index.ts';
import type { MustFigure } from './measure.ts';

const WATER_KG_PER_L = 0.9982034;

interface ReferenceMust {
  honeys?: { mass_g: number; moisture: number; sugar_fraction: number }[];
  fruits?: { mass_g: number; sugar: number; water: number; insoluble: number }[];
  juices?: { mass_g: number; brix: number }[];
  water_g?: number;
  basis?: 'total_solids' | 'sugar_only';
}

/** The case's own ingredients; where only sugar counts, the other solids are left out of the liquid as the case does. */
function ingredientsOf({ honeys = [], fruits = [], juices = [], basis }: ReferenceMust): PlannedIngredient[] {
  const none = { ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 };
  const keep = basis === 'sugar_only' ? 0 : 1;
  return [
    ...honeys.map((h) => {
      const rest = 1 - h.moisture - h.sugar_fraction;
      const line = plannedHoney('honey', h.mass_g * (1 - (1 - keep) * rest), h.moisture, rest * keep);
      return keep === 1
        ? line
        : {
            ...line,
            family: 'syrup' as const,
            composition: { ...line.composition, sugar: h.sugar_fraction / (1 - rest), unfermentable: 0 },
          };
    }),
    ...fruits.map((f) => {
      const rest = 1 - f.sugar - f.water - f.insoluble;
      const kept = 1 - (1 - keep) * rest;
      const composition = { ...none, sugar: f.sugar / kept, unfermentable: (rest * keep) / kept, insoluble: f.insoluble / kept };
      return { ...plannedFrom('gooseberry', f.mass_g * kept), composition };
    }),
    ...juices.map((j) => ({
      ...plannedFrom('juice-apple', j.mass_g),
      composition: { ...none, sugar: j.brix / 100, unfermentable: 0, insoluble: 0 },
    })),
  ];
}

describe('a must by mass balance', () => {
  it.each(referenceCases('must').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const inputs = c.inputs as ReferenceMust;
    expect(
      c.differences(() => {
        const must = composeMust(ingredientsOf(inputs), (inputs.water_g ?? 0) / 1000 / WATER_KG_PER_L, CENTRAL_ASSUMPTIONS);
        const { sg, volumeL } = mixMust(must);
        const pulpL = must.insolubleG / 1500;
        return { sg, liquid_volume_l: volumeL, sugar_g: must.sugarG, total_volume_l: volumeL + pulpL, insoluble_g: must.insolubleG };
      }),
    ).toEqual([]);
  });

  it.each(referenceCases('sg_made_up_to').map((c) => [c.id, c] as const))('made up to volume: %s', (_id, c) => {
    const { honey_g, volume_l, moisture } = c.inputs as Record<string, number>;
    const plan = solveMust(planOf([plannedHoney('honey', honey_g!, moisture)], 1, { wanted: { volumeL: volume_l!, honeyG: honey_g! } }));
    expect(c.differences(() => measureMust(plan, centralCourse(plan)).og)).toEqual([]);
  });

  it.each(referenceCases('honey_for_target').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const { sg, volume_l, moisture, sugar_fraction } = c.inputs as Record<string, number>;
    expect(
      c.differences(() => {
        const isSugarOnly = sugar_fraction !== undefined;
        const line = isSugarOnly
          ? {
              ...plannedFrom('invert', 1000),
              lock: 'free' as const,
              composition: { ...plannedFrom('sugar', 1).composition, sugar: sugar_fraction },
            }
          : plannedHoney('honey', 1000, moisture);
        const plan = solveMust(planOf([line], 3, { wanted: { og: sg!, volumeL: volume_l! } }));
        return { honey_g: plan.ingredients[0]!.massG, water_g: plan.waterL * 998.2034 };
      }),
    ).toEqual([]);
  });
});

const melomel = planOf(
  [
    plannedHoney('linden', 1100, 0.171),
    plannedHoney('heather', 500, 0.19, 0.04),
    plannedFrom('gooseberry', 2000, { pricePerKg: 4 }),
    plannedFrom('juice-apple', 800, { preserved: false }),
  ],
  3.2,
);

describe('what a plan makes', () => {
  it('gives every figure a range around its value', () => {
    for (const [name, figure] of Object.entries(predictMust(melomel))) {
      expect(figure.low, name).toBeLessThanOrEqual(figure.value);
      expect(figure.high, name).toBeGreaterThanOrEqual(figure.value);
      expect(figure.high - figure.low, name).toBeGreaterThan(0);
    }
  });

  it('lets no range run below nothing, near dryness least of all', () => {
    for (const og of [1.03, 1.06, 1.085, 1.1])
      for (const [name, { low }] of Object.entries(
        predictMust(solveMust(planOf([plannedHoney('linden', 500)], 3, { wanted: { og, volumeL: 5 } }))),
      ))
        expect(low, `${name} of ${og}`).toBeGreaterThanOrEqual(0);
  });

  it('gives the range that 20,000 random draws give', () => {
    const propagated = predictMust(melomel);
    const drawn = drawMust(seeded(5), melomel, 20_000);
    const judged: MustFigure[] = ['og', 'volumeL', 'abvDry', 'sugarGPerL', 'rackedL', 'fg'];
    for (const name of judged) {
      const width = propagated[name].high - propagated[name].low;
      expect(Math.abs(drawn[name].value - propagated[name].value), name).toBeLessThan(0.2 * width);
      expect(Math.abs(drawn[name].high - drawn[name].low - width), name).toBeLessThan(0.2 * width);
    }
  });

  it('ends a dry traditional where dry meads are read, not where sugar alone would put it', () => {
    const plan = solveMust(planOf([plannedHoney('linden', 1000)], 3, { yeastId: 'strong', wanted: { og: 1.098, volumeL: 5 } }));
    const { fg } = predictMust(plan);
    expect(fg.value).toBeGreaterThan(0.984);
    expect(fg.value).toBeLessThan(0.998);
  });

  it('leaves what goes in afterwards out of the must and in the glass', () => {
    const dry = planOf([plannedHoney('linden', 1300)], 4, { yeastId: 'strong' });
    const sweetened = { ...dry, ingredients: [...dry.ingredients, { ...plannedHoney('borage', 200), id: 'b', stage: 'after' as const }] };
    const [a, b] = [predictMust(dry), predictMust(sweetened)];
    expect(b.og.value).toBe(a.og.value);
    expect(b.abv.value).toBe(a.abv.value);
    expect(b.finishedSugarGPerL.value).toBeGreaterThan(a.finishedSugarGPerL.value + 30);
    expect(b.finishedAbv.value).toBeLessThan(a.finishedAbv.value);
    expect(b.finishedL.value).toBeCloseTo(a.finishedL.value + 0.14, 2);
  });

  it('counts honey fed later into the strength but not into the first gravity', () => {
    const together = planOf([plannedHoney('linden', 2000)], 4, { yeastId: 'sparkling' });
    const fed = {
      ...together,
      ingredients: [plannedHoney('linden', 1300), { ...plannedHoney('linden', 700), id: 'fed', stage: 'during' as const }],
    };
    const [a, b] = [predictMust(together), predictMust(fed)];
    expect(b.og.value).toBeLessThan(a.og.value - 0.03);
    expect(b.effectiveOg.value).toBeCloseTo(a.og.value, 9);
    expect(b.abv.value).toBeCloseTo(a.abv.value, 9);
  });

  it('loses to the lees, to the pulp and to the samples what the plan says', () => {
    const figures = measureMust(melomel, centralCourse(melomel));
    const none = {
      ...melomel,
      losses: { leesShare: 0, samplesL: 0 },
      ingredients: melomel.ingredients.filter(({ family }) => family !== 'fruit'),
    };
    expect(measureMust(none, centralCourse(none)).rackedL).toBeCloseTo(none.waterL + 1.9, 0);
    // 2 kg of gooseberries hold 86 g of insoluble matter, thrice its mass of liquid clings to it.
    const without = measureMust({ ...melomel, losses: { leesShare: 0, samplesL: 0 } }, centralCourse(melomel)).rackedL;
    expect(without - figures.rackedL).toBeGreaterThan(0.2 + 0.06 * figures.rackedL);
  });
});

describe('cost and the shelf', () => {
  const priced = planOf(
    [
      { ...plannedHoney('linden', 1500), pricePerKg: 12, lotId: 'a' },
      { ...plannedHoney('heather', 500), id: 'h', lotId: 'b' },
    ],
    4,
    {
      otherCost: 3,
    },
  );

  it('adds up, per liter and per bottle, and says what has no price', () => {
    const cost = costOf(priced, 5);
    expect(cost.total).toBeCloseTo(21, 9);
    expect(cost.perLiter).toBeCloseTo(4.2, 9);
    expect(cost.perBottle).toBeCloseTo(3.15, 9);
    expect(cost.unpriced.map(({ name }) => name)).toEqual(['heather']);
  });

  it('lists what the shelf lacks, counting a lot once', () => {
    const twice = { ...priced, ingredients: [...priced.ingredients, { ...plannedHoney('linden', 400), id: 'l2', lotId: 'a' }] };
    const lacks = lackOf(twice, new Map([['a', 1600]]));
    expect(lacks.map(({ ingredient, lackG }) => [ingredient.id, Math.round(lackG)])).toEqual([
      ['h', 500],
      ['l2', 300],
    ]);
  });

  it('leaves to other batches what they took beyond the stock', () => {
    expect(lackOf(priced, new Map([['a', -5000]])).map(({ lackG }) => Math.round(lackG))).toEqual(
      lackOf(priced, new Map([['a', 0]])).map(({ lackG }) => Math.round(lackG)),
    );
  });
});
