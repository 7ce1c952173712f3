import { MUST_SULFITE_WAIT_H } from '../../preservatives/index.ts';
import { HOUR_MS, gravity, hours, say, when } from '../../quantities/index.ts';
import { viewOf } from '../../record/index.ts';
import type { Ledger } from '../../record/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';
import { unsettledReading } from './settle.ts';

/** When yeast may go into a must that was sulfited; null where none was. */
export function sulfiteWaitEnds({ history }: Ledger): number | null {
  const last = history.sulfites.filter(({ massG: grams }) => grams > 0).at(-1);
  return last === undefined ? null : last.at + MUST_SULFITE_WAIT_H * HOUR_MS;
}

/** The must waits for yeast; a first reading that the pours do not explain comes before it. */
export const pitch: AskRule = {
  asks: ({ ledger, state, now }) => {
    if (state.phase !== 'mixed' || unsettledReading(ledger) !== null) return null;
    const freeAt = sulfiteWaitEnds(ledger);
    if (freeAt !== null && now < freeAt)
      return asked(
        undefined,
        'muffled',
        freeAt,
        say`Sulfite works for ${hours(MUST_SULFITE_WAIT_H)} before yeast bears it: pitch ${when(freeAt)}.`,
        'pitch',
        say`Pitch the yeast: the sulfite has had its day`,
      );
    return asked(undefined, 'swinging', now, say`Mixed at ${gravity(viewOf(ledger)?.sg ?? 1)}. Pitch the yeast.`, 'pitch');
  },
};
