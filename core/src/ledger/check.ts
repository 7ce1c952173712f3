import { checkComposition } from '../ingredients/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { BatchEvent, EventContent, EventKind, StandingEvent } from './events.ts';
import { standingEvents } from './events.ts';
import { fold, foldUntil } from './fold.ts';
import { mixedOf } from './view.ts';

/** Clocks of two devices may differ by this much before an event counts as lying in the future. */
const CLOCK_SLACK_MS = 5 * 60_000;
/** A measured volume may exceed the computed one by this share before it is taken for a slip. */
const VOLUME_SLACK = 0.1;

const isTransfer = (kind: EventKind): boolean => kind === 'transferIn' || kind === 'transferOut';

const liters = (volumeL: number): string => `${volumeL.toFixed(2)} L`;

/**
 * Whether an event can be believed at its time, given what is on record. Both sides of the wire ask this before they write.
 *
 * @throws Refusal with a sentence: what is wrong and what is allowed
 */
export function checkEvent(events: readonly BatchEvent[], content: EventContent & { happenedAt: number }, now: number): void {
  if (content.happenedAt > now + CLOCK_SLACK_MS) {
    throw new Refusal('That time lies in the future; write down what has happened, when it has happened.', 'happenedAt');
  }
  if (content.kind === 'amendment') {
    const corrected = events.find((event) => event.id === content.payload.eventId);
    if (corrected === undefined) throw new Refusal('The entry to be corrected is not on record.');
    if (isTransfer(corrected.kind))
      throw new Refusal('What was poured into another vessel stays poured; to bring it back, blend that batch into this one.');
    const { replacement } = content.payload;
    if (replacement !== null && isTransfer(replacement.kind)) throw new Refusal('Liquid moves between batches only by a split or a blend.');
    if (replacement?.kind === 'ingredient')
      checkComposition(replacement.payload.name, replacement.payload.family, replacement.payload.composition);
    if (replacement !== null && replacement.happenedAt > now + CLOCK_SLACK_MS) {
      throw new Refusal('The corrected time lies in the future; it must be now or earlier.', 'happenedAt');
    }
    return;
  }
  if (isTransfer(content.kind)) throw new Refusal('Liquid moves between batches only by a split or a blend.');
  if (content.kind === 'reading') {
    checkReading(events, content);
    return;
  }
  const before = foldUntil(events, content.happenedAt + 1);
  const volumeL = mixedOf(before)?.volumeL ?? 0;
  switch (content.kind) {
    case 'yeast':
      if (volumeL === 0) throw new Refusal('There is no must to pitch into yet; pour honey and water first.');
      return;
    case 'nutrient':
      if (volumeL === 0) throw new Refusal('The vessel is empty; there is nothing to feed.');
      return;
    case 'base':
      if (volumeL === 0) throw new Refusal('The vessel is empty; there is no pH to raise.');
      return;
    case 'strain':
      if (before.insolubleG <= 0) throw new Refusal('There is no pulp in this vessel to lift out.');
      return;
    case 'ingredient':
      checkComposition(content.payload.name, content.payload.family, content.payload.composition);
      return;
    case 'removal':
      requireVolume(content.payload.volumeL, volumeL, 'lost');
      return;
    case 'rack':
      requireVolume(content.payload.volumeL, volumeL * (1 + VOLUME_SLACK), 'racked');
      return;
    case 'bottling':
      requireVolume(
        content.payload.bottles.reduce((sum, b) => sum + (b.sizeMl * b.count) / 1000, 0),
        volumeL * (1 + VOLUME_SLACK),
        'bottled',
      );
      return;
    default:
      return;
  }
}

function requireVolume(wantedL: number, presentL: number, deed: string): void {
  if (wantedL > presentL + 0.005) {
    const there =
      presentL === 0 ? 'there was nothing in the vessel at that time' : `there was only ${liters(presentL)} in the vessel at that time`;
    throw new Refusal(`${liters(wantedL)} cannot be ${deed}: ${there}.`, 'volumeL');
  }
}

/** A gravity before the pitch is only believed if the must can have read it. */
function checkReading(events: readonly BatchEvent[], content: Extract<EventContent, { kind: 'reading' }> & { happenedAt: number }): void {
  const { sg, brix } = content.payload;
  if (sg === undefined && brix === undefined) return;
  const bottledAt = standingEvents(events).find(({ kind }) => kind === 'bottling')?.happenedAt;
  if (brix !== undefined && bottledAt !== undefined && content.happenedAt > bottledAt)
    throw new Refusal(
      'Read what comes from a bottle with a hydrometer: alcohol fools a refractometer, and closed glass bears no error.',
      'brix',
    );
  const pitchedAt = standingEvents(events).find(({ kind }) => kind === 'yeast')?.happenedAt;
  if (pitchedAt !== undefined && content.happenedAt >= pitchedAt) return;
  if (mixedOf(foldUntil(events, content.happenedAt + 1)) === null)
    throw new Refusal('Nothing was poured yet at that time; check when the reading was taken.', 'happenedAt');
  const pitch = fold(events).pitch;
  if (pitch === null || content.happenedAt >= pitch.at) return;
  const candidate: StandingEvent = { ...content, id: 'candidate', seq: Number.MAX_SAFE_INTEGER, enteredAt: content.happenedAt };
  const point = foldUntil([...standingEvents(events), candidate], content.happenedAt + 1).readings.find(
    (reading) => reading.eventId === 'candidate',
  );
  if (point?.verdict === 'unexplained') {
    throw new Refusal(
      `That is before the yeast went in, when the must read about ${point.expectedSg.toFixed(3)}; check the time, or the reading.`,
      'happenedAt',
    );
  }
}
