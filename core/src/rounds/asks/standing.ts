import { bottlesLeft } from '../../record/index.ts';
import { say } from '../../quantities/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

export const taste: AskRule = {
  asks: ({ state: { phase }, ledger, now }) =>
    phase === 'bottled'
      ? asked(
          undefined,
          'still',
          now,
          bottlesLeft(ledger) > 0 ? say`In bottles. Taste it when it has had time.` : say`All of it is drunk or given.`,
          'taste',
        )
      : null,
};
export const mix: AskRule = {
  asks: ({ state: { phase }, now }) =>
    phase === 'empty' ? asked(undefined, 'muffled', now, say`Planned. Mix it when the day comes.`, 'pitch') : null,
};
export const emptied: AskRule = {
  asks: ({ state: { phase, sentence }, now }) => (phase === 'emptied' ? asked(undefined, 'still', now, sentence) : null),
};
