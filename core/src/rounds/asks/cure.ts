import { say, when } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { cureUnderWay, traitsOf } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

/** What was tried against a stall works, or does not, before anything else is tried. */
export const cure: AskRule = {
  asks: ({ ledger, state, now }) => {
    const trying = traitsOf(state.phase).mayBeStuck ? cureUnderWay(ledger) : null;
    if (trying === null) return null;
    const { at, readAt, told } = trying;
    const since: Sentence = [...say`Since ${when(at)}: `, ...told];
    if (now >= readAt) return asked(at, 'swinging', readAt, [...since, '. Read the gravity now; it tells whether that helped.']);
    return asked(at, 'muffled', readAt, [...since, ...say`. One change at a time: read it again ${when(readAt)}.`], 'watch', [
      'Read the gravity; it tells whether this helped: ',
      ...told,
    ]);
  },
};
