import { say, volumeL as liters } from '../quantities/index.ts';
import type { Working } from '../quantities/index.ts';
import { freeSo2NeededMgPerL, sulfitePk } from '../preservatives/index.ts';
import { FREE_PLUS_MINUS_MG_PER_L } from './plan.ts';
import type { StabilizeInput, StabilizePlan } from './plan.ts';
import { BOUND_SHARE } from '../preservatives/index.ts';

/** How the sorbate dose comes about. */
export function sorbateWorking(input: StabilizeInput, plan: StabilizePlan): Working {
  return {
    formula: 'sorbic acid by the alcohol, at most the limit, less what is in it; grams = that × volume ÷ 0.746',
    inputs: [
      { name: 'alcohol', shown: say`${input.abv.toFixed(1)} % vol` },
      { name: 'sorbic acid', shown: say`${plan.sorbicMgPerL.toFixed(0)} mg/L` },
      { name: 'volume', shown: say`${liters(input.volumeL)}` },
    ],
    source: 'Peynaud: 150 mg/L at 10 % vol down to 50 at 14 %, 200 below 10 %. Limits: 200 mg/L (EU), 300 (US, 27 CFR 24.246).',
    school: 'chemical: sulfite and sorbate together',
  };
}

/** How the sulfite dose comes about. */
export function stabilizeWorking(input: StabilizeInput, plan: StabilizePlan): Working {
  return {
    formula: 'free = molecular × (1 + 10^(pH − 1.81)); added = (free − measured) ÷ (1 − bound); grams = added × volume ÷ SO₂ in the salt',
    inputs: [
      { name: 'molecular SO₂ wanted', shown: say`${String(input.molecularMgPerL)} mg/L` },
      {
        name: 'pH',
        shown: [
          `${input.known.plannedPh.toFixed(2)}${input.known.by === 'measured' ? '' : `, the safe end of ${input.known.ph.low.toFixed(1)} to ${input.known.ph.high.toFixed(1)}`}`,
        ],
      },
      { name: 'free SO₂', shown: say`${plan.freeMgPerL.toFixed(1)} mg/L` },
      {
        name: 'by the pK in this alcohol at 20 °C',
        shown: say`${freeSo2NeededMgPerL(input.molecularMgPerL, Math.min(4.5, input.known.plannedPh), sulfitePk(Math.min(20, input.abv), 20)).toFixed(1)} mg/L would do`,
      },
      {
        name: 'free SO₂ measured in it',
        shown: [
          `${input.freeThereMgPerL.toFixed(1)} mg/L${input.freeThereMgPerL > 0 ? `, give or take ${FREE_PLUS_MINUS_MG_PER_L} (our estimate)` : ''}`,
        ],
      },
      {
        name: 'bound, our estimate',
        shown: say`${String(BOUND_SHARE.value * 100)} % (${String(BOUND_SHARE.low * 100)} to ${String(BOUND_SHARE.high * 100)})`,
      },
      { name: 'volume', shown: say`${liters(input.volumeL)}` },
    ],
    source:
      'pK 1.81 of sulfurous acid, the trade’s convention and the safe side; by alcohol after Usseglio-Tomasset; stoichiometry of the salt. Sorbic acid by alcohol after Peynaud.',
    school: 'chemical: sulfite and sorbate together',
  };
}
