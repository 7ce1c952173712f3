import { describe } from 'vitest';
import { holdThresholds } from '../testing/thresholds.ts';
import { headspaceWantedPct, judgeMust, planOf, plannedFrom, plannedHoney, predictMust, stepFeedingOf, styleOf } from './index.ts';
import type { MustPlan } from './index.ts';

const plain = (grams: number, waterL = 4): MustPlan => planOf([plannedHoney('linden', grams)], waterL);
const says = (plan: MustPlan, id: string): string => judgeMust(plan).find((each) => each.id === id)?.weight ?? '';
const at = (figure: 'og' | 'abv', value: number): MustPlan => {
  let [low, high] = [100, 6000];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (predictMust(plain(middle))[figure].value < value) low = middle;
    else high = middle;
  }
  return plain(low);
};
const acid = (gPerL: number): MustPlan => {
  const fruit = (massG: number): MustPlan => planOf([plannedHoney('linden', 1200), plannedFrom('gooseberry', massG)], 3);
  let [low, high] = [0, 20_000];
  const has = (plan: MustPlan): number =>
    plan.ingredients.reduce((sum, { massG, composition }) => sum + (massG * composition.acidGPerKg) / 1000, 0) /
    predictMust(plan).volumeL.value;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (has(fruit(middle)) < gPerL) low = middle;
    else high = middle;
  }
  return fruit(low);
};
const styled = (abv: number): string => styleOf(plain(1200), abv).name;
const mixed = (id: string, grams: number): string => styleOf(planOf([plannedHoney('linden', 1000), plannedFrom(id, grams)], 4), 11).name;

/** Where a must begins of which so much honey is kept back, gathered to an OG. */
function started(og: number): string {
  const plan = at('og', og);
  const grams = plan.ingredients[0]!.massG * stepFeedingOf(plan)!.startShare;
  return predictMust(plain(grams)).og.value.toFixed(3);
}

describe('a must', () => {
  holdThresholds([
    ['STRONG_START_SG', (sg) => says(at('og', sg), 'start'), [1.1199, ''], [1.1201, 'care']],
    ['TOO_STRONG_START_SG', (sg) => says(at('og', sg), 'start'), [1.1349, 'care'], [1.1351, 'stop']],
    ['STRONG_START_SG in steps', (sg) => stepFeedingOf(at('og', sg)) !== null, [1.1199, false], [1.122, true]],
    ['SAFE_START_SG', started, [1.14, '1.110'], [1.17, '1.110']],
    ['FEED_AT_SG', (og) => stepFeedingOf(at('og', og))!.steps[0]!.atSg.toFixed(3), [1.15, '1.030'], [1.18, '1.030']],
    ['FEED_TO_SG', (og) => stepFeedingOf(at('og', og))!.steps[0]!.toSg.toFixed(3), [1.17, '1.055'], [1.18, '1.055']],
    ['HOT_ABV', (abv) => says(planAt(abv), 'hot'), [14.9, ''], [15.1, 'note']],
    ['SHARP_ACID_G_PER_L', (g) => says(acid(g), 'sharp'), [8.9, ''], [9.1, 'care']],
    ['HEADSPACE_PCT.plain', (foams) => headspaceWantedPct(plain(1200), foams === 1), [0, 20], [1, 25]],
    ['HEADSPACE_PCT.foaming', (foams) => headspaceWantedPct(plain(1200), foams === 1), [0, 20], [1, 25]],
    ['HEADSPACE_PCT.fruit', (acidGPerL) => headspaceWantedPct(acidGPerL === 0 ? plain(1200) : acid(acidGPerL), false), [0, 20], [4, 30]],
    ['HYDROMEL_BELOW_ABV', styled, [7.4, 'hydromel'], [7.6, 'traditional mead']],
    ['SACK_ABOVE_ABV', styled, [14, 'traditional mead'], [14.1, 'sack mead']],
    ['LEAST_SUGAR_SHARE', (grams) => mixed('juice-apple', grams), [380, /traditional/], [420, /cyser/]],
    ['LEAST_FRUIT_SHARE', (grams) => mixed('gooseberry', grams), [110, /traditional/], [112, /melomel/]],
    [
      'MEAD_HONEY_SHARE',
      (grams) => styleOf(planOf([plannedHoney('linden', 1000), plannedFrom('juice-apple', grams)], 1), 11).isMead,
      [7200, true],
      [8200, false],
    ],
  ]);
});

/** A must whose strength this yeast can reach. */
function planAt(abv: number): MustPlan {
  const strong = (grams: number): MustPlan => ({ ...plain(grams), yeastId: 'strong' });
  let [low, high] = [500, 3000];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (predictMust(strong(middle)).abv.value < abv) low = middle;
    else high = middle;
  }
  return strong(low);
}
