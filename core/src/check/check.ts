import { checkComposition } from '../ingredients/index.ts';
import { foldAlong, logOf, mixedOf, standingEvents } from '../record/index.ts';
import type { BatchEvent, EventContent, EventKind, Ledger, StandingEvent } from '../record/index.ts';
import { Refusal, gravity, say, volumeL } from '../quantities/index.ts';
import { whyNotBottle, glassAlarm } from '../watch/index.ts';
import { isYeastId } from '../yeast/index.ts';

/** Clocks of two devices may differ by this much before an event counts as lying in the future. */
const CLOCK_SLACK_MS = 5 * 60_000;
/** A measured volume may exceed the computed one by this share before it is taken for a slip. */
const VOLUME_SLACK = 0.1;
/** What a maker cannot see missing, L. */
const UNSEEN_L = 0.005;

type Fresh = EventContent & { id: string; happenedAt: number };

const isTransfer = (kind: EventKind): boolean => kind === 'transferIn' || kind === 'transferOut';
const POURED_STAYS = 'What was poured into another vessel stays poured; to bring it back, blend that batch into this one.';
const BY_SPLIT_ONLY = 'Liquid moves between batches only by a split or a blend.';

/** What stands against an entry whatever the state: its time, and who may write it. */
function checkEntry(event: Fresh, recorded: ReadonlyMap<string, BatchEvent | Fresh>, now: number): void {
  if (event.happenedAt > now + CLOCK_SLACK_MS)
    throw new Refusal('That time lies in the future; write down what has happened, when it has happened.', 'happenedAt');
  if (isTransfer(event.kind)) throw new Refusal(BY_SPLIT_ONLY);
  if (event.kind !== 'amendment') return;
  const corrected = recorded.get(event.payload.eventId);
  if (corrected === undefined) throw new Refusal('The entry to be corrected is not on record.');
  if (isTransfer(corrected.kind)) throw new Refusal(POURED_STAYS);
  const { replacement } = event.payload;
  if (replacement === null) return;
  if (isTransfer(replacement.kind)) throw new Refusal(BY_SPLIT_ONLY);
  if (replacement.happenedAt > now + CLOCK_SLACK_MS)
    throw new Refusal('The corrected time lies in the future; it must be now or earlier.', 'happenedAt');
}

const bottledL = (event: StandingEvent): number =>
  event.kind === 'bottling' ? event.payload.bottles.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0) : 0;

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
  const open: { glass: boolean; mustReading: StandingEvent | null } = { glass: false, mustReading: null };
  const ledger = foldAlong(standing, (state, event) => {
    if (open.mustReading !== null) checkMustReading(state, open.mustReading);
    open.mustReading = null;
    if (!isJudged(event)) return;
    checkAt(state, event, pitchedAt);
    if (event.kind === 'reading') open.mustReading = pitchedAt !== null && event.happenedAt < pitchedAt ? event : null;
    if (event.kind === 'bottling' && !isSmaller(event, before.get(event.id) ?? null)) {
      open.glass = true;
      refuseGlass(state, event);
    }
  });
  if (open.mustReading !== null) checkMustReading(ledger, open.mustReading);
  const alarm = open.glass ? glassAlarm(ledger) : null;
  if (alarm !== null) throw new Refusal(alarm, 'bottles');
}

/** One event by itself; see checkEvents. */
export function checkEvent(recorded: readonly BatchEvent[], content: EventContent & { happenedAt: number }, now: number): void {
  checkEvents(recorded, [{ ...content, id: 'the one in question' }], now);
}

/** Fewer bottles of what was closed already, at the same time or later, close no more glass. */
const isSmaller = (event: StandingEvent, was: StandingEvent | null): boolean =>
  was?.kind === 'bottling' && event.happenedAt >= was.happenedAt && bottledL(event) <= bottledL(was) + 1e-9;

function refuseGlass(state: Ledger, event: StandingEvent): void {
  const why = bottledL(event) > 0 ? whyNotBottle(state, event.happenedAt) : null;
  if (why !== null) throw new Refusal(why, 'bottles');
}

/** Whether it can be believed of a batch that stands like this. */
function checkAt(state: Ledger, event: StandingEvent, pitchedAt: number | null): void {
  const presentL = mixedOf(state)?.volumeL ?? 0;
  switch (event.kind) {
    case 'yeast':
      if (presentL === 0) throw new Refusal('There is no must to pitch into yet; pour honey and water first.');
      if (!isYeastId(event.payload.yeastId))
        throw new Refusal(`No yeast here goes by “${event.payload.yeastId}”; choose the type that is nearest.`, 'yeastId');
      return;
    case 'nutrient':
      if (presentL === 0) throw new Refusal('The vessel is empty; there is nothing to feed.');
      return;
    case 'base':
      if (presentL === 0) throw new Refusal('The vessel is empty; there is no pH to raise.');
      return;
    case 'strain':
      if (state.insolubleG <= 0) throw new Refusal('There is no pulp in this vessel to lift out.');
      return;
    case 'ingredient':
      checkComposition(event.payload.name, event.payload.family, event.payload.composition);
      return;
    case 'removal':
      requireVolume(event.payload.volumeL, presentL, 'lost');
      return;
    case 'rack':
      requireVolume(event.payload.volumeL, presentL * (1 + VOLUME_SLACK), 'racked');
      return;
    case 'bottling':
      requireVolume(bottledL(event), presentL * (1 + VOLUME_SLACK), 'bottled');
      return;
    case 'staysHere':
      if (state.pitch === null) throw new Refusal('It has not been pitched yet; there is nothing that could rest.');
      return;
    case 'reading':
      checkReading(state, event, pitchedAt);
      return;
    default:
      return;
  }
}

function requireVolume(wantedL: number, presentL: number, deed: string): void {
  if (wantedL <= presentL + UNSEEN_L) return;
  throw new Refusal(
    presentL === 0
      ? say`${volumeL(wantedL)} cannot be ${deed}: there was nothing in the vessel at that time.`
      : say`${volumeL(wantedL)} cannot be ${deed}: there was only ${volumeL(presentL)} in the vessel at that time.`,
    'volumeL',
  );
}

function checkReading(
  state: Ledger,
  { payload: { sg, brix }, happenedAt }: StandingEvent & { kind: 'reading' },
  pitchedAt: number | null,
): void {
  if (sg === undefined && brix === undefined) return;
  if (brix !== undefined && state.bottled !== null)
    throw new Refusal(
      'Read what comes from a bottle with a hydrometer: alcohol fools a refractometer, and closed glass bears no error.',
      'brix',
    );
  if ((pitchedAt === null || happenedAt < pitchedAt) && mixedOf(state) === null)
    throw new Refusal('Nothing was poured yet at that time; check when the reading was taken.', 'happenedAt');
}

/** A gravity before the pitch is only believed if the must can have read it. */
function checkMustReading(after: Ledger, event: StandingEvent): void {
  const point = after.readings.findLast(({ eventId }) => eventId === event.id);
  if (point?.verdict !== 'unexplained') return;
  throw new Refusal(
    say`That is before the yeast went in, when the must read about ${gravity(point.expectedSg)}; check the time, or the reading.`,
    'happenedAt',
  );
}
