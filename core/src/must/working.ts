import { say, massG as grams, volumeL as liters } from '../quantities/index.ts';
import { HELD_BACK_G_PER_G, waterShare } from '../ingredients/index.ts';
import { ASSUMPTION_RANGES } from '../record/index.ts';
import type { Working } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L, yeastOf } from '../yeast/index.ts';
import { costOf } from './cost.ts';
import type { MustFigure } from './measure.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';

const FORMULAS: Record<MustFigure, string> = {
  volumeL: 'mass of everything dissolved and all the water, before the pitch ÷ density of the mixture',
  og: 'density of all dissolved solids and all the water together ÷ density of water, at 20 °C',
  effectiveOg: 'the same, with what is fed later reckoned in from the start',
  sugarGPerL: 'fermentable sugar ÷ volume',
  abvDry: 'ethanol from all the sugar (Balling’s yield, less by-products) ÷ volume ÷ 789.24 g/L',
  abv: 'as alcohol when dry, but at most the yeast’s tolerance',
  fg: 'density after the yeast stops: at its tolerance, or dry but for the sugar every mead keeps',
  sugarLeftGPerL: 'sugar ÷ volume when the yeast stops',
  fillL: 'liquid + pulp ÷ 1.5 kg/L',
  rackedL: 'volume when the yeast stops × (1 − lees) − pulp × what it holds back − samples',
  finishedL: 'what is racked, with what goes in once it is stable',
  finishedSg: 'density of what is racked with what goes in once it is stable',
  finishedAbv: 'ethanol ÷ volume of what is finished ÷ 789.24 g/L',
  finishedSugarGPerL: 'sugar ÷ volume of what is finished',
};

const UNFERMENTED: readonly MustFigure[] = ['og', 'effectiveOg', 'volumeL', 'sugarGPerL', 'fillL'];
const RACKED: readonly MustFigure[] = ['rackedL', 'finishedL', 'finishedSg', 'finishedAbv', 'finishedSugarGPerL'];

function shownIngredient({ name, family, massG, composition, sugarSpread }: PlannedIngredient): Working['inputs'][number] {
  const make =
    family === 'honey'
      ? `${(100 * waterShare(composition)).toFixed(1)} % water (± 1.9)`
      : `${(100 * composition.sugar).toFixed(1)} % sugar (± ${(100 * sugarSpread).toFixed(0)} % of it)`;
  return { name, shown: say`${grams(massG)} at ${make}` };
}

/** How a planned figure comes about, with what the plan puts in. */
export function mustWorking(figure: MustFigure, plan: MustPlan): Working {
  const yeast = yeastOf(plan);
  const counted = plan.ingredients.filter(({ massG, stage }) => massG > 0 && (stage !== 'after' || RACKED.includes(figure)));
  const inputs = [...counted.map(shownIngredient), { name: 'water', shown: say`${liters(plan.waterL)} (± 1.5 %)` }];
  const { ethanolYield, glycerolYield } = ASSUMPTION_RANGES;
  const fermenting = [
    {
      name: 'ethanol per extract',
      shown: say`${ethanolYield.value.toFixed(4)} (${String(ethanolYield.low)} to ${String(ethanolYield.high)})`,
    },
    {
      name: 'by-products per sugar',
      shown: say`${String(glycerolYield.value)} (${String(glycerolYield.low)} to ${String(glycerolYield.high)})`,
    },
    {
      name: `${yeast.name} tolerates`,
      shown: say`${String(yeast.toleranceAbv.value)} % vol (${String(yeast.toleranceAbv.low)} to ${String(yeast.toleranceAbv.high)})`,
    },
    {
      name: 'sugar a dry mead keeps',
      shown: say`${String(DRY_SUGAR_G_PER_L.value)} g/L (${String(DRY_SUGAR_G_PER_L.low)} to ${String(DRY_SUGAR_G_PER_L.high)})`,
    },
  ];
  const racking = [
    { name: 'lees', shown: say`${(100 * plan.losses.leesShare).toFixed(1)} % (half to one and a half of it)` },
    {
      name: 'liquid held by pulp',
      shown: say`${String(HELD_BACK_G_PER_G.value)} g/g (${String(HELD_BACK_G_PER_G.low)} to ${String(HELD_BACK_G_PER_G.high)})`,
    },
    { name: 'samples', shown: say`${liters(plan.losses.samplesL)}` },
  ];
  return {
    formula: FORMULAS[figure],
    inputs: UNFERMENTED.includes(figure) ? inputs : [...inputs, ...fermenting, ...(RACKED.includes(figure) ? racking : [])],
    source:
      'Mass balance; sucrose density ICUMSA, ethanol density OIML R 22, Tabarié’s relation; honey USDA Tech. Bull. 1261; fruit from public composition tables. Range: first-order propagation, 10–90 %, which 20,000 random draws agree with.',
  };
}

/** How a plan's cost comes about. */
export function costWorking(plan: MustPlan): Working {
  const { unpriced } = costOf(plan);
  const priced = plan.ingredients
    .filter(({ massG, pricePerKg }) => massG > 0 && pricePerKg !== undefined)
    .map(({ name, massG, pricePerKg = 0 }) => ({
      name,
      shown: say`${grams(massG)} at ${pricePerKg.toFixed(2)} a kilogram = ${((massG / 1000) * pricePerKg).toFixed(2)}`,
    }));
  const missing = unpriced.map(({ name }) => ({ name, shown: ['no price yet'] }));
  return {
    formula: 'mass × price, summed, and what is paid beside; per liter of what is finished, a bottle being 0.75 L',
    inputs: [...priced, ...missing, { name: 'yeast, nutrient and the rest', shown: say`${plan.otherCost.toFixed(2)}` }],
    source: 'Prices of the lots, or as entered.',
  };
}
