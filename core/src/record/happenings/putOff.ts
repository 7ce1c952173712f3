import { maybe, moment, record, say, text, when } from '../../quantities/index.ts';
import { happening } from '../happening.ts';

/** What the vessel asked for is left for later, or for good and why. `ask` names it; new facts make a new ask of it. */
export const putOff = happening({
  shape: record(
    { ask: text(120), told: text(400), until: maybe(moment), reason: maybe(text(200, { whenMissing: 'Say in a word why not.' })) },
    { holds: ({ until, reason }) => (until === undefined) !== (reason === undefined), says: 'Later needs a time, not at all a reason.' },
  ),
  apply: ({ care }, { ask, until }, { at }) => {
    care.putOff[ask] = { at, until: until ?? null };
  },
  says: ({ told, until, reason }) =>
    until === undefined ? [`left for good: ${told} (${reason ?? ''})`] : say`put off until ${when(until)}: ${told}`,
  corrects: [],
});
