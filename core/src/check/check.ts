import { CLOCK_SLACK_MS, HAPPENINGS, foldAlong, logOf, standingEvents } from '../record/index.ts';
import type { BatchEvent, EventContent, EventKind, Ledger, Recorded, RecordedKind, StandingEvent } from '../record/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';

type Fresh = EventContent & { id: string; happenedAt: number };

const isTransfer = (kind: EventKind): boolean => kind !== 'amendment' && HAPPENINGS[kind].isTransfer === true;
const POURED_STAYS = 'What was poured into another vessel stays poured; to bring it back, blend that batch into this one.';
const CLOCK_SET_BACK: Sentence = [
  'That time lies in the future by the clock of this machine, which stands before what was written already: it was set back, or had been ahead. Set it right, then write.',
];
const BY_SPLIT_ONLY = 'Liquid moves between batches only by a split or a blend.';

/** What stands against an entry whatever the state: its time, and who may write it. */
function checkEntry(event: Fresh, recorded: ReadonlyMap<string, BatchEvent | Fresh>, now: number): void {
  const isFuture = event.happenedAt > now + CLOCK_SLACK_MS;
  if (isFuture && [...recorded.values()].some((other) => 'enteredAt' in other && other.enteredAt > now + CLOCK_SLACK_MS))
    throw new Refusal(CLOCK_SET_BACK, 'happenedAt');
  if (isFuture) throw new Refusal('That time lies in the future; write down what has happened, when it has happened.', 'happenedAt');
  if (isTransfer(event.kind)) throw new Refusal(BY_SPLIT_ONLY);
  if (event.kind !== 'amendment') return;
  const corrected = recorded.get(event.payload.eventId);
  if (corrected === undefined) throw new Refusal('The entry to be corrected is not on record.');
  /** An amendment of a transfer is a split taken back: what it went into is gone, so that it cannot be brought back either. */
  const meant = corrected.kind === 'amendment' ? (recorded.get(corrected.payload.eventId) ?? corrected) : corrected;
  if (isTransfer(meant.kind)) throw new Refusal(POURED_STAYS);
  const { replacement } = event.payload;
  if (replacement === null) return;
  if (isTransfer(replacement.kind)) throw new Refusal(BY_SPLIT_ONLY);
  if (replacement.happenedAt > now + CLOCK_SLACK_MS)
    throw new Refusal('The corrected time lies in the future; it must be now or earlier.', 'happenedAt');
}

interface Judging {
  id: string;
  at: number;
  pitchedAt: number | null;
}

function believe<K extends RecordedKind>(state: Ledger, { kind, payload }: { kind: K; payload: Recorded[K] }, judging: Judging): void {
  HAPPENINGS[kind].believe?.(state, payload, judging);
}

/**
 * Whether events can have happened, each at its time among all that is on record, amendments and what they make included. One pass over
 * the record, however many events come. Both sides of the wire ask this before they write. Whether glass should have been closed is not
 * asked here: what was done is written down, and then judged.
 *
 * @param recorded with the float's readings among them where there are any
 * @param fresh in the order of writing
 * @param now ms since 1970 UTC
 * @throws Refusal with a sentence: what is wrong and what is allowed
 */
export function checkEvents(recorded: readonly BatchEvent[], fresh: readonly Fresh[], now: number): void {
  const known = new Map<string, BatchEvent | Fresh>(recorded.map((event) => [event.id, event]));
  for (const event of fresh) {
    checkEntry(event, known, now);
    known.set(event.id, event);
  }
  const last = recorded.reduce((most, { seq }) => Math.max(most, seq), 0);
  const all = [...recorded, ...fresh.map((event, i) => ({ ...event, seq: last + i + 1, enteredAt: now }))];
  const before = new Map(logOf(recorded).map(({ standing, withdrawn }) => [standing.id, withdrawn ? null : standing]));
  const standing = standingEvents(all);
  const isJudged = (event: StandingEvent): boolean => before.get(event.id) !== event;
  const pitchedAt = standing.find(({ kind }) => kind === 'yeast')?.happenedAt ?? null;
  let asked: StandingEvent | null = null;
  const judgingOf = ({ id, happenedAt: at }: StandingEvent): Judging => ({ id, at, pitchedAt });
  const askAfter = (state: Ledger): void => {
    if (asked !== null) HAPPENINGS[asked.kind].believeAfter?.(state, judgingOf(asked));
    asked = null;
  };
  const ledger = foldAlong(standing, (state, event) => {
    askAfter(state);
    if (!isJudged(event)) return;
    believe(state, event, judgingOf(event));
    asked = event;
  });
  askAfter(ledger);
}

/** One event by itself; see checkEvents. */
export function checkEvent(recorded: readonly BatchEvent[], content: EventContent & { happenedAt: number }, now: number): void {
  checkEvents(recorded, [{ ...content, id: 'the one in question' }], now);
}
