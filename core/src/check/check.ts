import { CLOCK_SLACK_MS, HAPPENINGS, foldAlong, logOf, misdated, standingEvents } from '../record/index.ts';
import type { BatchEvent, EventContent, EventKind, Ledger, Recorded, RecordedKind, StandingEvent } from '../record/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { glassAlarm, whyNotBottle, whyNotGas } from '../watch/index.ts';

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

/** Liters that it closes into glass; null where it closes none. */
function closedL<K extends RecordedKind>({ kind, payload }: { kind: K; payload: Recorded[K] }): number | null {
  return HAPPENINGS[kind].closesL?.(payload) ?? null;
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
 * Whether events can have happened, each at its time among all that is on record, amendments and what they make included; and
 * whether any of them closes glass that could hurt someone. One pass over the record, however many events come. Both sides of the
 * wire ask this before they write.
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
  const open: { asked: StandingEvent | null; closing: StandingEvent | null; isClosing: boolean } = {
    asked: null,
    closing: null,
    isClosing: false,
  };
  const judgingOf = ({ id, happenedAt: at }: StandingEvent): Judging => ({ id, at, pitchedAt });
  const askAfter = (state: Ledger): void => {
    if (open.asked !== null) HAPPENINGS[open.asked.kind].believeAfter?.(state, judgingOf(open.asked));
    if (open.closing !== null) refuseGas(state);
    open.asked = null;
    open.closing = null;
  };
  const ledger = foldAlong(standing, (state, event) => {
    askAfter(state);
    if (!isJudged(event)) return;
    believe(state, event, judgingOf(event));
    open.asked = event;
    const litersNow = closedL(event);
    if (litersNow === null || isSmaller(event, litersNow, before.get(event.id) ?? null)) return;
    open.isClosing = true;
    if (litersNow > 0) refuseDoubtedDates(all);
    refuseGlass(state, event, litersNow);
    open.closing = event;
  });
  askAfter(ledger);
  const alarm = open.isClosing ? glassAlarm(ledger) : null;
  if (alarm !== null) throw new Refusal(alarm, 'bottles');
}

/** One event by itself; see checkEvents. */
export function checkEvent(recorded: readonly BatchEvent[], content: EventContent & { happenedAt: number }, now: number): void {
  checkEvents(recorded, [{ ...content, id: 'the one in question' }], now);
}

/** The priming of a bottling, for telling whether a correction touches it. */
const primingOf = (event: StandingEvent): string => (event.kind === 'bottling' ? JSON.stringify(event.payload.prime ?? null) : '');

/** Fewer bottles of what was closed already, at the same time or later, close no more glass. What gas they then bear, the alarm says. */
function isSmaller(event: StandingEvent, litersNow: number, was: StandingEvent | null): boolean {
  const litersThen = was === null ? null : closedL(was);
  if (was === null || litersThen === null || primingOf(event) !== primingOf(was)) return false;
  return event.happenedAt >= was.happenedAt && litersNow <= litersThen + 1e-9;
}

/** Two readings are only as far apart as the clock was true. */
function refuseDoubtedDates(events: readonly BatchEvent[]): void {
  const byHand = events.filter((event) => event.kind !== 'reading' || event.payload.instrument !== 'float');
  const reading = misdated(byHand).find(({ kind }) => kind === 'reading');
  if (reading === undefined) return;
  throw new Refusal(
    [
      'A reading is dated ',
      { value: reading.happenedAt, kind: 'when' },
      ', after entries that were written down later: the clock had jumped, so nobody knows how long it has stood still. Correct its date in the log, then close the glass.',
    ],
    'bottles',
  );
}

function refuseGlass(state: Ledger, event: StandingEvent, liters: number): void {
  const why = liters > 0 ? whyNotBottle(state, event.happenedAt) : null;
  if (why !== null) throw new Refusal(why, 'bottles');
}

/** @param state with the bottles just closed */
function refuseGas(state: Ledger): void {
  const filling = state.history.bottled?.fillings.at(-1);
  const why = filling === undefined ? null : whyNotGas(filling);
  if (why !== null) throw new Refusal(why, 'bottles');
}
