import type { Sentence } from '../../quantities/index.ts';
import type { Mark } from '../../record/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';
import { traitsOf } from '../../watch/index.ts';

/** Fuzz, color or hair on it, or a smell that makes one retch. */
export const DISCARD: Sentence = [
  'Fuzz, blue, green or black growth, or a smell that makes one retch: do not taste it. Discard it, bleach everything it touched, then sanitize. A flat, dry skin is a film.',
];

/** What is not to be drunk stays a matter until the batch is gone. */
export const discard = (mark: Extract<Mark, 'mold' | 'retching'>): AskRule => ({
  asks: ({ ledger, state }) => {
    const { isAway, isAlarm } = traitsOf(state.phase);
    const at = ledger.history.marks[mark];
    return at === undefined || isAway || isAlarm ? null : asked(at, 'cracked', at, DISCARD);
  },
});
