import { HOLDS_MIN, HOLD_FROM_C } from '../heat/index.ts';
import { say, tempC } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import type { StabilizeSchool } from './schools.ts';

interface SchoolTold {
  name: string;
  /** Two sentences: what it is. */
  says: Sentence;
  speaksFor: string;
  speaksAgainst: string;
}

export const SCHOOLS_TOLD: Record<StabilizeSchool, SchoolTold> = {
  chemical: {
    name: 'sulfite and sorbate',
    says: say`Sulfite by the pH holds off bacteria and air, sorbate by the alcohol keeps yeast from budding. They may go in together, or sulfite at a racking and sorbate days later.`,
    speaksFor: 'cheap, cold, keeps the aroma',
    speaksAgainst: 'kills no living yeast; sulfites on the label, and some cannot drink them',
  },
  heat: {
    name: 'heat',
    says: say`The middle of the mead is held at ${tempC(HOLD_FROM_C)} for ${HOLDS_MIN.join(' or ')} minutes in a water bath, under an airlock or in open bottles. It kills yeast and most bacteria and drives off sulfite.`,
    speaksFor: 'nothing is added, and it stops what still works',
    speaksAgainst: 'some aroma goes, glass is hot, it clouds for days; no priming afterwards',
  },
  dry: {
    name: 'dry and still',
    says: say`Nothing is added and no sugar goes in: what has nothing left to eat stays as it is. Time and equal readings are the proof.`,
    speaksFor: 'the least done to it; priming stays possible',
    speaksAgainst: 'it cannot be sweetened with honey, and wants patience',
  },
  filter: {
    name: 'filter',
    says: say`Home pads take haze and most yeast, not all of it. By itself that stabilizes nothing: sulfite and sorbate go with it.`,
    speaksFor: 'bright at once',
    speaksAgainst: 'air and loss; pads are not sterile',
  },
  sweetener: {
    name: 'sweetener that does not ferment',
    says: say`A dry and still mead is sweetened with what yeast leaves alone, such as erythritol. Nothing has to be killed, since nothing is there to eat.`,
    speaksFor: 'no sulfite, no heat, priming stays possible',
    speaksAgainst: 'tastes of itself; xylitol kills dogs, lactose is milk',
  },
};
