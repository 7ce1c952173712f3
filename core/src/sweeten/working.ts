import { say, massG as grams, volumeL as liters } from '../quantities/index.ts';
import type { Working } from '../quantities/index.ts';
import { afterSugar } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import type { SweeteningHoney } from './sweeten.ts';

/** How the honey for a target, and what it makes of the mead, come about. */
export function sweetenWorking(mead: Readonly<Masses>, honeyG: number, honey: SweeteningHoney): Working {
  const now = afterSugar(mead, 0, CENTRAL_ASSUMPTIONS);
  const percent = (fraction: number): string => `${(100 * fraction).toFixed(1)} %`;
  return {
    formula:
      'add the honey’s sugar, other solids and water to the mead’s by mass; volume and gravity follow from the density of the mixture',
    inputs: [
      { name: 'mead', shown: say`${liters(now.volumeL)} at ${now.sg.toFixed(4)}` },
      { name: 'fermentable sugar in it', shown: say`${grams(mead.sugarG)}` },
      { name: 'honey', shown: say`${grams(honeyG)}` },
      { name: 'water in the honey', shown: [percent(honey.moisture)] },
      { name: 'unfermentable in it', shown: [percent(honey.unfermentable)] },
    ],
    source: 'Mass balance with Tabarié’s relation; honey USDA Tech. Bull. 1261. Gravity ± 0.001, from the honey’s water.',
  };
}
