import { CENTRAL_ASSUMPTIONS } from './assumptions.ts';
import type { Assumptions } from './assumptions.ts';
import { standingEvents } from './events.ts';
import type { BatchEvent, EventContent, StandingEvent } from './events.ts';
import { judgeGuard } from './guard.ts';
import type { Taken } from './happening.ts';
import { HAPPENINGS } from './happenings/index.ts';
import type { Recorded, RecordedKind } from './happenings/index.ts';
import { beforeTurn, noteTurn } from './turns.ts';
import { copyOf, emptyLedger } from './ledger.ts';
import type { Folding, Ledger } from './ledger.ts';
import { misdated } from './misdated.ts';
import { mixedOf } from './view.ts';

function takeFromShelf({ taken }: Folding, all: readonly Taken[]): void {
  for (const { lotId, massG } of all) if (lotId !== undefined) taken[lotId] = (taken[lotId] ?? 0) + massG;
}

function applyEvent<K extends RecordedKind>(
  ledger: Folding,
  { id, kind, payload, happenedAt: at }: { id: string; kind: K; payload: Recorded[K]; happenedAt: number },
  assumptions: Assumptions,
): void {
  const { apply, takes } = HAPPENINGS[kind];
  const before = beforeTurn(ledger, kind, payload);
  const { waterG, sugarG } = ledger.liquid;
  apply(ledger, payload, { id, at, assumptions });
  if (before !== null) noteTurn(ledger, before, at);
  if (kind !== 'reading' && (waterG !== ledger.liquid.waterG || sugarG !== ledger.liquid.sugarG)) ledger.history.beforeReading = null;
  if (takes !== undefined) takeFromShelf(ledger, [takes(payload)].flat());
  const { history } = ledger;
  history.lastEventAt = at;
  judgeGuard(ledger, at);
  if (history.pitch === null && history.measuredOg === null) history.predictedOg = mixedOf(ledger)?.sg ?? null;
}

/**
 * The states of a batch one after the other: `before` is asked for each event with the state that it met. What it throws ends the fold.
 *
 * @returns the state after the last event
 */
export function foldAlong(
  events: readonly StandingEvent[],
  before: (state: Ledger, event: StandingEvent) => void,
  assumptions: Assumptions = CENTRAL_ASSUMPTIONS,
): Ledger {
  const ledger = emptyLedger();
  for (const event of events) {
    before(ledger, event);
    applyEvent(ledger, event, assumptions);
  }
  return ledger;
}

const unasked = (): void => undefined;

/** The state of a batch after all its events, amendments applied, in the order in which things happened. */
export function fold(events: readonly BatchEvent[], assumptions: Assumptions = CENTRAL_ASSUMPTIONS): Ledger {
  const ledger = foldAlong(standingEvents(events), unasked, assumptions) as Folding;
  const byHand = events.filter((event) => event.kind !== 'reading' || event.payload.instrument !== 'float');
  const doubted = new Set(misdated(byHand).map(({ id }) => id));
  if (doubted.size > 0) doubtDates(ledger, doubted);
  return ledger;
}

/** Two readings are only as far apart as the clock was true: those that it misdated prove nothing. */
function doubtDates({ history }: Folding, doubted: ReadonlySet<string>): void {
  for (const reading of history.readings) if (doubted.has(reading.eventId)) reading.isMisdated = true;
  for (const { mead } of history.bottled?.fillings ?? []) doubtDates(mead as Folding, doubted);
}

/** The state of a batch as it would be with one thing more; what stands is left alone. */
export function ledgerAfter(ledger: Ledger, content: EventContent, at: number): Ledger {
  const after = copyOf(ledger);
  if (content.kind !== 'amendment') applyEvent(after, { ...content, id: 'asked', happenedAt: at }, CENTRAL_ASSUMPTIONS);
  return after;
}

/** The events up to the first bottling; all of them where there is none. */
export function beforeBottling(events: readonly BatchEvent[]): readonly BatchEvent[] {
  const standing = standingEvents(events);
  const first = standing.findIndex(({ kind }) => kind === 'bottling');
  return first < 0 ? events : standing.slice(0, first);
}

/** The state just before a moment, for judging what was decided then. */
export const foldUntil = (events: readonly BatchEvent[], at: number): Ledger =>
  foldAlong(
    standingEvents(events).filter(({ happenedAt }) => happenedAt < at),
    unasked,
  );
