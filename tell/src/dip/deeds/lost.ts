import { mixedOf } from '@hollow-bell/core/record';
import type { EventContent, RemovalReason } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { findAmount, litersOf } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { countOf, entry } from './deed.ts';
import type { Again } from './deed.ts';

const lost = (payload: { volumeL: number; reason: RemovalReason; lowL?: number; highL?: number; returned?: boolean }): EventContent => ({
  kind: 'removal',
  payload,
});

/** “1 to 2 l”: the least and the most of what nobody measured. */
function rangeOf(words: string, context: DipContext): { lowL: number; highL: number } | null {
  const range = /(\d[\d.,]*)\s*(?:to|-|–|or)\s*(\d[\d.,]*)\s*([a-z][a-z ]*)?/.exec(words);
  if (range === null) return null;
  const unit = findAmount(`${range[2] ?? ''} ${range[3] ?? ''}`.trim(), context)?.text.replace(/^[\d.,\s]+/, '') ?? '';
  const [lowL, highL] = [litersOf(`${range[1] ?? ''} ${unit}`.trim(), context), litersOf(`${range[2] ?? ''} ${unit}`.trim(), context)];
  return lowL < highL ? { lowL, highL } : null;
}

function reasonOf(rest: string, verb: string): RemovalReason {
  if (/^sampl|^took/.test(verb)) return 'sample';
  if (/^dr[ai]nk|^drunk/.test(verb)) return 'drunk';
  if (/foam|overflow|erupt/.test(verb) || /\bfoam/.test(rest)) return 'foam';
  return /\blees\b/.test(rest) ? 'lees' : 'spill';
}

export function readLost(rest: string, context: DipContext, again: Again, verb: string): Part {
  const reason = reasonOf(rest, verb);
  const returned = /\b(?:back|returned)\b/.test(rest) ? { returned: true } : {};
  const range = rangeOf(rest, context);
  if (range !== null) return entry(lost({ volumeL: (range.lowL + range.highL) / 2, reason, ...range, ...returned }));
  const amount = findAmount(rest, context);
  const line = { sample: 'sampled', foam: 'foamed over', drunk: 'drank', lees: 'lost', spill: 'lost', dumped: 'dumped' }[reason];
  if (amount === null)
    throw new DipAsk('About how much went? A mug holds 0.3 L, a hand’s breadth of a jug about a liter.', [
      candidate(again(`${line}  l${reason === 'lees' ? ' to the lees' : ''}`), `${line}, and how much`),
      ...(reason === 'foam' ? [candidate(again('foamed over 1 to 2 l'), 'one to two liters, as most do')] : []),
    ]);
  return entry(lost({ volumeL: litersOf(amount.text, context), reason, ...returned }));
}

/** All of it, unless an amount is said. */
export function readDumped(rest: string, context: DipContext): Part {
  const presentL = mixedOf(context.ledger)?.volumeL ?? 0;
  if (presentL === 0) throw new Refusal('The vessel is empty; there is nothing to dump.');
  const amount = findAmount(rest, context);
  return entry(lost({ volumeL: amount === null ? presentL : litersOf(amount.text, context), reason: 'dumped' }));
}

/** “drank one” of a batch in bottles, “drank 0.2 l” of one in its vessel. */
export function readDrank(rest: string, context: DipContext, again: Again, verb: string): Part {
  const bottles = countOf(rest);
  const isBottles = bottles !== null && /^(?:bottles?\b.*)?$/.test(bottles.rest) && context.ledger.history.bottled !== null;
  return isBottles ? entry({ kind: 'bottleOut', payload: { count: bottles.count, end: 'opened' } }) : readLost(rest, context, again, verb);
}
