import { DAY_MS, say } from '../../quantities/index.ts';
import { stabilizedAt } from '../../record/index.ts';
import { gasOutAt, traitsOf } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule, Asked, Asking } from '../ask.ts';
import { doseAsked } from './dose.ts';
import { isDone, shutGate } from './finished.ts';

/** In its first week a must is degassed, as often as its maker's school says (trade habit). */
const DEGAS_DAYS = 7;

/** Before each dose it is degassed anyhow. */
function daily({ ledger, feeding, now, ...of }: Asking): Asked | null {
  const { pitch } = ledger.history;
  if (pitch === null || of.degasPerDay === 0 || now - pitch.at > DEGAS_DAYS * DAY_MS) return null;
  const dueAt = gasOutAt(ledger, pitch.at) + DAY_MS / of.degasPerDay;
  if (now < dueAt || (doseAsked({ ledger, feeding, now })?.done ?? null) !== null) return null;
  return {
    bell: 'swinging',
    dueAt,
    sentence: ['Degas it: stir slowly until the foam settles, then let it be.'],
    station: 'feed',
    done: { label: ['Degassed'], events: [{ kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }] },
  };
}

export const degas: AskRule = {
  asks: (of) => {
    if (traitsOf(of.state.phase).isPaced === true) return daily(of);
    const isNext = isDone(of.state) && stabilizedAt(of.ledger) === null && shutGate(of)?.id === 'degassed';
    return isNext
      ? asked(
          'before sulfite',
          'swinging',
          of.now,
          of.school === 'heat'
            ? say`Degas it before it is heated: gas foams in the bath.`
            : say`Finished and clear. Degas it before sulfite and sorbate.`,
          'clear',
        )
      : null;
  },
};
