import { cureUnderWay } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

export const suspect: AskRule = {
  asks: ({ ledger, state: { phase, restsUntil, sentence }, now, lastAt }) => {
    if (phase !== 'suspect' || cureUnderWay(ledger) !== null) return null;
    return asked(lastAt, now < (restsUntil ?? now) ? 'muffled' : 'swinging', restsUntil ?? now, sentence);
  },
};
