import { DAY_MS } from '../../quantities/index.ts';
import { traitsOf } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

/** What eye and nose found stays a matter for so long, unless it is left with a reason. */
const SENSED_DAYS = 10;
const TOLD = {
  film: 'A film lies on it, so it has air. Rack it from under the film into a full vessel, keep air out, and do not stir the film in.',
  vinegar:
    'It smells of vinegar: air and the bacteria that like it. Fill it up and close it; what has turned does not turn back. Keep it from the others.',
  rubber: 'It smells of burnt rubber: yeast that lies too long on its lees. Rack it off; what is there is mostly beyond repair.',
  geranium: 'It smells of geraniums: bacteria have turned the sorbate. Nothing removes it; do not blend it into others.',
  solvent: 'It smells of solvent: yeast that was too warm or starved. Keep it cool and degas it; young it may fade, old it stays.',
} as const;

export const sensed = (mark: keyof typeof TOLD): AskRule => ({
  asks: ({ ledger, state, now }) => {
    const { isAway, isAlarm } = traitsOf(state.phase);
    const at = ledger.history.marks[mark];
    return at === undefined || isAway || isAlarm || now - at > SENSED_DAYS * DAY_MS ? null : asked(at, 'swinging', at, [TOLD[mark]]);
  },
});
