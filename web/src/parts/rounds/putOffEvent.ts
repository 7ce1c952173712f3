import type { EventContent } from '@hollow-bell/core/record';
import type { Sentence } from '@hollow-bell/core/quantities';
import type { Ask } from '@hollow-bell/core/rounds';

const LONGEST = 400;

/** What putting off an ask writes down, in the words that the maker saw. */
export function putOffEvent(ask: Ask, choice: { until: number } | { reason: string }, tell: (sentence: Sentence) => string): EventContent {
  return { kind: 'putOff', payload: { ask: ask.key, told: tell(ask.sentence).slice(0, LONGEST), ...choice } };
}
