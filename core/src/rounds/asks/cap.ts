import { DAY_MS } from '../../quantities/index.ts';
import { gasOutAt, traitsOf } from '../../watch/index.ts';
import type { AskRule } from '../ask.ts';

/** Fruit that floats is pushed under so often, days (trade habit: twice a day). */
const PUNCH_EVERY_DAYS = 0.5;

/** Loose fruit rises on the gas into a cap, which dries and spoils unless it is wetted. */
export const cap: AskRule = {
  asks: ({ ledger, state, now }) => {
    const { pitch, marks, pours } = ledger.history;
    if (pitch === null || traitsOf(state.phase).isPaced !== true || ledger.liquid.insolubleG <= 0) return null;
    const loose = pours.filter(({ family, insolubleG, bagOutAt, isOut }) => {
      return family === 'fruit' && insolubleG > 0 && bagOutAt === null && isOut !== true;
    });
    const dueAt = Math.max(gasOutAt(ledger, pitch.at), marks.punched ?? 0) + PUNCH_EVERY_DAYS * DAY_MS;
    if (loose.length === 0 || now < dueAt) return null;
    return {
      bell: 'swinging',
      dueAt,
      sentence: [`Push the cap of ${loose.map(({ name }) => name).join(' and ')} under: fruit that dries on top spoils.`],
      station: 'feed',
      done: { label: ['Punched down'], events: [{ kind: 'note', payload: { text: 'Cap punched down', mark: 'punched' } }] },
    };
  },
};
