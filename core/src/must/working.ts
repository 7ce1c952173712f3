import { ASSUMPTION_RANGES } from '../ledger/index.ts';
import type { Working } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L, yeastType } from '../yeast/index.ts';
import type { MustPlan } from './plan.ts';
import type { MustFigure } from './predict.ts';

const FORMULAS: Record<MustFigure, string> = {
  volumeL: 'mass of honey and water ÷ density of the mixture',
  og: 'density of the honey’s solids and all the water together ÷ density of water, at 20 °C',
  sugarGPerL: 'fermentable sugar ÷ volume',
  abvDry: 'ethanol from all the sugar (Balling’s yield, less by-products) ÷ volume ÷ 789.24 g/L',
  abv: 'as alcohol when dry, but at most the yeast’s tolerance',
  fg: 'density after the yeast stops: at its tolerance, or dry but for the sugar every mead keeps',
  sugarLeftGPerL: 'sugar ÷ volume when the yeast stops',
};

/** How a planned figure comes about, with what the plan puts in. */
export function mustWorking(figure: MustFigure, plan: MustPlan): Working {
  const yeast = yeastType(plan.yeastId);
  const honeys = plan.honeys.map((honey) => ({
    name: `${honey.name} honey`,
    shown: `${honey.massG.toFixed(0)} g at ${(honey.moisture * 100).toFixed(1)} % water (± 1.9)`,
  }));
  const inputs = [...honeys, { name: 'water', shown: `${plan.waterL.toFixed(2)} L (± 1.5 %)` }];
  const { ethanolYield, glycerolYield } = ASSUMPTION_RANGES;
  const fermenting = [
    { name: 'ethanol per extract', shown: `${ethanolYield.value.toFixed(4)} (${ethanolYield.low} to ${ethanolYield.high})` },
    { name: 'by-products per sugar', shown: `${glycerolYield.value} (${glycerolYield.low} to ${glycerolYield.high})` },
    {
      name: `${yeast.name} tolerates`,
      shown: `${yeast.toleranceAbv.value} % vol (${yeast.toleranceAbv.low} to ${yeast.toleranceAbv.high})`,
    },
    { name: 'sugar a dry mead keeps', shown: `${DRY_SUGAR_G_PER_L.value} g/L (${DRY_SUGAR_G_PER_L.low} to ${DRY_SUGAR_G_PER_L.high})` },
  ];
  const isUnfermented = figure === 'og' || figure === 'volumeL' || figure === 'sugarGPerL';
  return {
    formula: FORMULAS[figure],
    inputs: isUnfermented ? inputs : [...inputs, ...fermenting],
    source:
      'Mass balance; sucrose density ICUMSA, ethanol density OIML R 22, Tabarié’s relation; honey USDA Tech. Bull. 1261. Range: first-order propagation, 10–90 %.',
  };
}
