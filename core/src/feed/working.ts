import { say } from '../quantities/index.ts';
import type { Ledger } from '../record/index.ts';
import { brixFromSg } from '../liquid/index.ts';
import type { Working } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { HONEY_NITROGEN, N_PER_SUGAR, grapeMustNitrogenMgPerL } from '../nitrogen/index.ts';
import { nitrogenMgPerG, productName } from '../nitrogen/index.ts';
import { totalsOf } from './schedule.ts';
import type { FeedingPlan } from './schedule.ts';

const school = ({ practice }: FeedingPlan): string =>
  `organic nitrogen counted ${practice.organicCredit === 1 ? 'at face value' : `${practice.organicCredit} times`}`;

export interface FeedingWorkings {
  need: Working;
  honey: Working;
  supply: Working;
}

/** How a batch's nitrogen figures come about; null before the pitch. */
export function feedingWorkings(plan: FeedingPlan, pitch: Ledger['history']['pitch']): FeedingWorkings | null {
  if (pitch === null) return null;
  const { demand } = yeastOf(pitch);
  const grape = grapeMustNitrogenMgPerL(brixFromSg(pitch.sg));
  const products = totalsOf(plan.doses);
  return {
    need: {
      formula: 'mg of nitrogen per g of sugar × g of sugar per liter at the pitch',
      inputs: [
        { name: 'sugar at the pitch', shown: say`${pitch.sugarGPerL.toFixed(0)} g/L` },
        { name: `a ${demand}-demand yeast`, shown: say`${String(N_PER_SUGAR[demand])} mg/g` },
        { name: 'table for grape must', shown: [grape === null ? 'does not reach this must' : `${grape.toFixed(0)} mg/L`] },
      ],
      source: 'Trade figures by demand; check table Bisson & Butzke, Am. J. Enol. Vitic. 51 (2000) 168.',
    },
    honey: {
      formula: 'honey has next to none; fruit, juice and malt by their own figures',
      inputs: [
        { name: 'honey in a must', shown: say`${String(HONEY_NITROGEN.low)} to ${String(HONEY_NITROGEN.high)} mg/L` },
        { name: 'fruit, juice, malt', shown: say`${pitch.broughtNMgPerL.toFixed(0)} mg/L, give or take half` },
      ],
      source: 'Usual range of honey musts; fruit by the table of ingredients, its spread our estimate.',
    },
    supply: {
      formula: 'need − the must’s own; ammonium up to its share and cap, organic nutrient for the rest',
      inputs: [
        ...products.map(({ product, gPerL }) => ({
          name: productName(product),
          shown: say`${gPerL.toFixed(2)} g/L, ${(nitrogenMgPerG(product).ammonium + nitrogenMgPerG(product).amino).toFixed(0)} mg N in a gram`,
        })),
        { name: 'cap on DAP', shown: say`${plan.practice.dapCapGPerL.toFixed(2)} g/L` },
        { name: 'ammonium may cover', shown: say`${(plan.practice.ammoniumShare * 100).toFixed(0)} %` },
      ],
      source: 'N of the salts by stoichiometry, of the organic nutrient by trade figure. Cap: 27 CFR 24.246 (US), Reg. (EU) 2019/934.',
      school: school(plan),
    },
  };
}
