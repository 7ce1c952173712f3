import { say, massG as grams, volumeL as liters } from '../quantities/index.ts';
import type { Working } from '../quantities/index.ts';
import { waterShare } from '../ingredients/index.ts';
import { afterSugar } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import type { Addition } from './sweeten.ts';

/** How what sweetens, and what it makes of the mead, come about. @param names of the additions, in order */
export function sweetenWorking(mead: Readonly<Masses>, additions: readonly Addition[], names: readonly string[]): Working {
  const now = afterSugar(mead, 0, CENTRAL_ASSUMPTIONS);
  const percent = (fraction: number): string => `${(100 * fraction).toFixed(1)} %`;
  return {
    formula:
      'add the sugar, other solids and water of each to the mead’s by mass; volume and gravity follow from the density of the mixture',
    inputs: [
      { name: 'mead', shown: say`${liters(now.volumeL)} at ${now.sg.toFixed(4)}` },
      { name: 'fermentable sugar in it', shown: say`${grams(mead.sugarG)}` },
      ...additions.map(({ massG, composition }, i) => ({
        name: names[i] ?? 'added',
        shown: say`${grams(massG)}, ${percent(Math.max(0, waterShare(composition)))} water, ${percent(composition.unfermentable)} of it unfermentable`,
      })),
    ],
    source: 'Mass balance with Tabarié’s relation; honey USDA Tech. Bull. 1261. Gravity ± 0.001, from the honey’s water.',
  };
}
