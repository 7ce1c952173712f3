import { traitsOf } from '../../watch/index.ts';
import { fedEvent, productName, teaspoonsOf } from '../../nitrogen/index.ts';
import { feedingNow, isComing, weighedParts } from '../../feed/index.ts';
import type { DoseNow } from '../../feed/index.ts';
import { massG, teaspoons, when } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { asked } from '../ask.ts';
import type { AskRule, Asked, Asking } from '../ask.ts';

/** “6.8 g organic nutrient and 1.3 g diammonium phosphate”: what a dose holds, by what can be weighed. */
export const doseTold = (dose: Pick<DoseNow, 'parts' | 'scaleG'>, withSpoons = false): Sentence =>
  weighedParts(dose).flatMap(({ product, massG: grams }, i) => [
    i === 0 ? '' : ' and ',
    massG(grams),
    ` ${productName(product)}`,
    ...(withSpoons ? [' (about ', teaspoons(teaspoonsOf(product, grams)), ')'] : []),
  ]);

/** The next dose, where it has anything in it that can be weighed. */
export function doseAsked({ ledger, feeding, now }: Pick<Asking, 'ledger' | 'feeding' | 'now'>): Asked | null {
  if (feeding === null) return null;
  const next = feedingNow(feeding, ledger, now).doses.find(isComing);
  const parts = weighedParts(next);
  if (next === undefined || parts.length === 0) return null;
  const dose = next.dose.number;
  const named = `Dose ${dose} of ${feeding.doses.length}`;
  if (next.state === 'due')
    return {
      of: dose,
      bell: 'swinging',
      dueAt: next.dueAt,
      sentence: [`${named}. Degas slowly first, then `, ...doseTold(next, true), '.'],
      station: 'feed',
      done: { label: ['Fed ', massG(parts.reduce((sum, part) => sum + part.massG, 0))], events: parts.map((part) => fedEvent(part, dose)) },
    };
  if (next.expectedAt <= now)
    return asked(`${dose} by sugar`, 'swinging', now, [`${named} comes by the sugar, and may be due at this pace: read the gravity.`]);
  return asked(dose, 'muffled', next.expectedAt, [`${named} comes `, when(next.expectedAt), ': ', ...doseTold(next), '.'], 'feed');
}

export const dose: AskRule = { asks: (of) => (traitsOf(of.state.phase).isPaced === true ? doseAsked(of) : null) };
