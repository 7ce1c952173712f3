import { HOUR_MS, say, when } from '../../quantities/index.ts';
import { courseOf } from '../../feed/index.ts';
import { readingGapH, traitsOf } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

export const reading: AskRule = {
  asks: ({ ledger, feeding, state, now, lastAt }) => {
    if (traitsOf(state.phase).isPaced !== true) return null;
    if (state.phase === 'unread') return asked(lastAt, 'swinging', lastAt, state.sentence);
    const dueAt = lastAt + readingGapH(feeding === null ? null : courseOf(feeding, ledger)) * HOUR_MS;
    return now > dueAt ? asked(lastAt, 'swinging', dueAt, say`No reading since ${when(lastAt)}. At its pace it wants one by now.`) : null;
  },
};
