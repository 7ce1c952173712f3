import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MEAN_HONEY, honeyComposition } from '../ingredients/index.ts';
import { liquidFromMeasured } from '../liquid/mixture.ts';
import { isRough } from '../quantities/index.ts';
import { agreesWithReference } from '../testing/agree.ts';
import type { Composition } from '../ingredients/index.ts';
import {
  additionsOf,
  gramsToReach,
  scaleFromGlassG,
  sugarRange,
  sweeten,
  sweetenWithSolid,
  whatItWouldBecome,
  wordOfGravity,
  wordOfSugar,
} from './index.ts';

const measured = (volumeL: number, sg: number, abv: number) => {
  const { waterG, extractG, ethanolG } = liquidFromMeasured(volumeL, sg, abv);
  return { waterG, ethanolG, sugarG: extractG, unfermentableG: 0, insolubleG: 0 };
};
const solidsOf = (solids: number, fermentable: number): Composition => ({
  ...honeyComposition(1 - solids, 0),
  sugar: solids * fermentable,
  unfermentable: solids * (1 - fermentable),
});
const all = (moisture: number) => [{ share: 1, composition: honeyComposition(moisture, 0) }];

interface Part {
  solids: number;
  fermentable: number;
  share?: number;
  mass_g?: number;
}
const additionsGiven = (parts: readonly Part[]) =>
  parts.map((part) => ({ massG: part.mass_g!, composition: solidsOf(part.solids, part.fermentable) }));

describe('sweetening agrees with the reference values', () => {
  agreesWithReference({
    backsweeten: (i) => {
      const mead = measured(i.volume_l, i.sg, i.abv);
      const result = sweeten(mead, additionsOf(all(i.moisture), i.honey_g));
      return { sg: result.sg, volume_l: result.volumeL, abv: result.abv, residual_g_l: result.extractGPerL };
    },
    backsweeten_target: (i) => {
      const mead = measured(i.volume_l, i.sg, i.abv);
      const honeyG = gramsToReach(mead, all(i.moisture), { sg: i.target_sg });
      return { honey_g: honeyG, abv: sweeten(mead, additionsOf(all(i.moisture), honeyG)).abv };
    },
    backsweeten_many: (i) => {
      const additions = additionsGiven(i.additions);
      const result = sweeten(measured(i.volume_l, i.sg, i.abv), additions);
      const of = (share: (c: Composition) => number) =>
        additions.reduce((sum, { massG, composition }) => sum + massG * share(composition), 0) / result.volumeL;
      return {
        sg: result.sg,
        volume_l: result.volumeL,
        abv: result.abv,
        residual_g_l: result.extractGPerL,
        added_solids_g_l: of((c) => c.sugar + c.unfermentable),
        fermentable_added_g_l: of((c) => c.sugar),
      };
    },
    backsweeten_ratio: (i) => {
      const mead = measured(i.volume_l, i.sg, i.abv);
      const blend = (i.parts as Part[]).map((part) => ({ share: part.share!, composition: solidsOf(part.solids, part.fermentable) }));
      const totalG = gramsToReach(mead, blend, i.target_sg === undefined ? { addedGPerL: i.add_solids_g_l } : { sg: i.target_sg });
      const additions = additionsOf(blend, totalG);
      const { abv, volumeL, sg } = sweeten(mead, additions);
      const [first, second, third] = additions.map(({ massG }) => massG);
      return { total_g: totalG, first_g: first, second_g: second, third_g: third, abv, sg, volume_l: volumeL };
    },
    sweeten_solids: (i) => {
      const { sg, abv, volumeL, addedGPerL, asSugarGPerL } = sweetenWithSolid(
        { volumeL: i.volume_l, sg: i.sg, abv: i.abv },
        i.mass_g,
        i.sweetness ?? 0.65,
        i.apparent_volume_ml_g,
      );
      return { sg, abv, volume_l: volumeL, added_g_l: addedGPerL, sucrose_equivalent_g_l: asSugarGPerL };
    },
    bench_scale: (i) => scaleFromGlassG(i.grams_in_glass, i.glass_ml, i.batch_l),
  });
});

describe('sweetening with honey', () => {
  const honey = [{ share: 1, composition: honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable) }];

  it('reaches the gravity or the sugar that was asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: 8, max: 15, noNaN: true }),
        fc.double({ min: 1.005, max: 1.03, noNaN: true }),
        (volumeL, abv, target) => {
          const mead = measured(volumeL, 0.998, abv);
          expect(sweeten(mead, additionsOf(honey, gramsToReach(mead, honey, { sg: target }))).sg).toBeCloseTo(target, 7);
          const wanted = sweeten(mead, []).sugarGPerL + 20;
          expect(sweeten(mead, additionsOf(honey, gramsToReach(mead, honey, { sugarGPerL: wanted }))).sugarGPerL).toBeCloseTo(wanted, 5);
        },
      ),
      { numRuns: 50, seed: 2 },
    );
  });

  it('says what the honey would become where nothing holds the yeast back', () => {
    const mead = { ...measured(4.7, 1.002, 11), sugarG: 10, unfermentableG: 150 };
    const fate = whatItWouldBecome(mead, additionsOf(honey, 100), 14);
    expect(fate.moreAbv).toBeGreaterThan(0.7);
    expect(fate.moreAbv).toBeLessThan(1.3);
    expect(fate.co2Volumes).toBeGreaterThan(4);
    expect(fate.pressureBar).toBeGreaterThan(3);
    expect(whatItWouldBecome(mead, additionsOf(honey, 100), 10).moreAbv).toBe(0);
  });
});

describe('sugar that is mostly doubt', () => {
  const dry = { waterG: 880, sugarG: 9, unfermentableG: 8, ethanolG: 100, insolubleG: 0 };
  const honey = honeyComposition(0.172, 0.032);
  it('stays as unsure as it was, by grams, however much weighed honey goes in, and is never below nothing', () => {
    const before = { value: sweeten(dry, []).sugarGPerL, low: 0, high: 15 };
    const after = sugarRange(sweeten(dry, [{ massG: 40, composition: honey }]), before);
    expect(after.high - after.value).toBeCloseTo(before.high - before.value, 9);
    expect(isRough(before)).toBe(true);
    expect(isRough(after)).toBe(false);
    expect(sugarRange(sweeten(dry, []), { value: 20, low: 0, high: 30 }).low).toBe(0);
  });
});

describe('words for sweetness', () => {
  it.each([
    [4, null, 'dry'],
    [4.1, null, 'medium dry'],
    [9, 7, 'dry'],
    [9, 6.9, 'medium dry'],
    [12, null, 'medium dry'],
    [12.1, null, 'medium'],
    [18, 8, 'medium dry'],
    [18.1, 8.1, 'medium'],
    [45, null, 'medium'],
    [45.1, null, 'sweet'],
  ])('%d g/L of sugar with %s g/L of acid is %s', (sugar, ta, word) => {
    expect(wordOfSugar(sugar, ta)).toBe(word);
  });
  it.each([
    [1.006, 'dry'],
    [1.0061, 'semi-sweet'],
    [1.015, 'semi-sweet'],
    [1.0151, 'sweet'],
    [1.025, 'sweet'],
    [1.0251, 'dessert'],
    [1.08, 'dessert'],
  ])('%d is %s to makers', (sg, word) => {
    expect(wordOfGravity(sg)).toBe(word);
  });
});
