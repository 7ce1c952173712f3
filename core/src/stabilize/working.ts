import type { Working } from '../quantities/index.ts';
import type { StabilizeInput, StabilizePlan } from './plan.ts';
import { BOUND_SHARE } from './sulfite.ts';

/** How the sulfite dose comes about. */
export function stabilizeWorking(input: StabilizeInput, plan: StabilizePlan): Working {
  return {
    formula: 'free = molecular × (1 + 10^(pH − 1.81)); added = free ÷ (1 − bound); grams = added × volume ÷ SO₂ in the salt',
    inputs: [
      { name: 'molecular SO₂ wanted', shown: `${input.molecularMgPerL} mg/L` },
      { name: 'pH', shown: input.ph.toFixed(2) },
      { name: 'free SO₂', shown: `${plan.freeMgPerL.toFixed(1)} mg/L` },
      { name: 'bound, our estimate', shown: `${BOUND_SHARE.value * 100} % (${BOUND_SHARE.low * 100} to ${BOUND_SHARE.high * 100})` },
      { name: 'volume', shown: `${input.volumeL.toFixed(2)} L` },
    ],
    source: 'pK 1.81 of sulfurous acid, the trade’s convention; stoichiometry of the salt. Sorbic acid by alcohol after Peynaud.',
    school: 'chemical: sulfite and sorbate together',
  };
}
