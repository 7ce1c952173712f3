import { traitsOf } from '../../watch/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

/** It ferments where it should not, or glass was closed on what may. */
export const moving: AskRule = {
  isDanger: true,
  asks: ({ state, now, lastAt }) => (traitsOf(state.phase).isAlarm ? asked(lastAt, 'cracked', now, state.sentence) : null),
};
