import { drippingRange } from '../../ingredients/index.ts';
import { massG, say, weighedG, when } from '../../quantities/index.ts';
import { traitsOf } from '../../watch/index.ts';
import type { AskRule } from '../ask.ts';

/** The bag that is due out first, and what lifting it would write down. */
export const bag: AskRule = {
  asks: ({ ledger: { history, liquid }, state, now }) => {
    const { isAway, isAlarm } = traitsOf(state.phase);
    if (isAway || isAlarm || liquid.insolubleG <= 0) return null;
    const [first] = history.pours
      .filter(({ bagOutAt, isOut }) => bagOutAt !== null && isOut !== true)
      .sort((a, b) => (a.bagOutAt ?? 0) - (b.bagOutAt ?? 0));
    const dueAt = first?.bagOutAt ?? null;
    if (first === undefined || dueAt === null) return null;
    const isDue = now >= dueAt;
    const grams = weighedG(drippingRange(first).value);
    return {
      of: first.eventId,
      bell: isDue ? 'swinging' : 'muffled',
      dueAt,
      sentence: isDue
        ? say`The bag of ${first.name} comes out now. Let it drip, press lightly, weigh it.`
        : say`The bag of ${first.name} comes out ${when(dueAt)}.`,
      station: 'pitch',
      done: isDue
        ? {
            label: say`Out, about ${massG(grams)}`,
            events: [
              { kind: 'strain', payload: { massG: grams, share: Math.min(1, first.insolubleG / liquid.insolubleG), of: first.name } },
            ],
          }
        : null,
      dated: say`Lift out the bag of ${first.name}`,
    };
  },
};
