import { NUTRIENTS } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { brixFromSg } from '../liquid/index.ts';
import type { Working } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { HONEY_NITROGEN, N_PER_SUGAR, grapeMustNitrogenMgPerL } from './need.ts';
import type { FeedingPlan } from './schedule.ts';

const school = ({ practice }: FeedingPlan): string =>
  `organic nitrogen counted ${practice.organicCredit === 1 ? 'at face value' : `${practice.organicCredit} times`}`;

export interface FeedingWorkings {
  need: Working;
  honey: Working;
  supply: Working;
}

/** How a batch's nitrogen figures come about; null before the pitch. */
export function feedingWorkings(plan: FeedingPlan, pitch: Ledger['pitch']): FeedingWorkings | null {
  if (pitch === null) return null;
  const { demand } = yeastOf(pitch);
  const grape = grapeMustNitrogenMgPerL(brixFromSg(pitch.sg));
  const total = (source: 'organicGPerL' | 'dapGPerL'): number => plan.doses.reduce((sum, dose) => sum + dose[source], 0);
  return {
    need: {
      formula: 'mg of nitrogen per g of sugar × g of sugar per liter at the pitch',
      inputs: [
        { name: 'sugar at the pitch', shown: `${pitch.sugarGPerL.toFixed(0)} g/L` },
        { name: `a ${demand}-demand yeast`, shown: `${N_PER_SUGAR[demand]} mg/g` },
        { name: 'table for grape must', shown: grape === null ? 'does not reach this must' : `${grape.toFixed(0)} mg/L` },
      ],
      source: 'Trade figures by demand; check table Bisson & Butzke, Am. J. Enol. Vitic. 51 (2000) 168.',
    },
    honey: {
      formula: 'honey has next to none; fruit, juice and malt by their own figures',
      inputs: [
        { name: 'honey in a must', shown: `${HONEY_NITROGEN.low} to ${HONEY_NITROGEN.high} mg/L` },
        { name: 'fruit, juice, malt', shown: `${pitch.broughtNMgPerL.toFixed(0)} mg/L, give or take half` },
      ],
      source: 'Usual range of honey musts; fruit by the table of ingredients, its spread our estimate.',
    },
    supply: {
      formula: 'need − the must’s own; DAP up to its share and cap, organic nutrient for the rest',
      inputs: [
        { name: 'organic nutrient', shown: `${total('organicGPerL').toFixed(2)} g/L at ${NUTRIENTS.organic.aminoN * 100} % N` },
        { name: 'DAP', shown: `${total('dapGPerL').toFixed(2)} g/L at ${(NUTRIENTS.dap.ammoniumN * 100).toFixed(1)} % N` },
        { name: 'cap on DAP', shown: `${plan.practice.dapCapGPerL.toFixed(2)} g/L` },
        { name: 'DAP may cover', shown: `${(plan.practice.dapShare * 100).toFixed(0)} %` },
      ],
      source: 'N of the salts by stoichiometry, of the organic nutrient by trade figure. Cap: 27 CFR 24.246 (US), Reg. (EU) 2019/934.',
      school: school(plan),
    },
  };
}
