import { feedingPracticeOf } from '@hollow-bell/contract';
import type { BatchSummary, Standing } from '@hollow-bell/contract';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { colorsOf, isAllBottled, standsIn, viewOf } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { asksOf, byUrgency, unreckonedAsk } from '@hollow-bell/core/rounds';
import { glassAlarm, isOpen } from '@hollow-bell/core/glass';
import { stateOf } from '@hollow-bell/core/watch';

interface Batches {
  marks: () => Promise<{ id: string; mark: string; isAway: boolean }[]>;
  some: (ids: readonly string[]) => Promise<BatchSummary[]>;
}

/** What a vessel asks for moves with the clock; it is reckoned anew after so long even where nothing was written. */
const STALE_MS = 60_000;
/** Yeast cake of so many grams fills a liter (our estimate). */
const YEAST_G_PER_L = 250;

/** A batch that cannot be reckoned says so on its own row; it costs no other one. */
function standingOf(batch: BatchSummary, isAway: boolean, now: number): Standing | null {
  try {
    /** What was put away asks for nothing any more, unless its glass may burst. */
    return isAway && glassAlarm(batch.ledger) === null ? null : reckon(batch, now);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const { id, name, plan, ledger } = batch;
    const filled = [{ vessel: plan.must.vessel, volumeL: 0, isCompanion: false }];
    const asks = [unreckonedAsk(error.said, now)];
    const pitchedAt = ledger.history.pitch?.at ?? null;
    return { id, name, filled, pitchedAt, phase: 'unreckoned', inBottles: false, sg: 1, volumeL: 0, leesL: 0, colors: [], asks };
  }
}

/** Null where there is nothing to look after. */
function reckon({ id, name, plan, ledger }: BatchSummary, now: number): Standing | null {
  const view = isAllBottled(ledger) ? null : viewOf(ledger);
  if ((view === null && !isAllBottled(ledger)) || ledger.liquid.pouredG <= 0) return null;
  const asks = asksOf(ledger, feedingPlanOf(ledger, feedingPracticeOf(plan)), now, plan.practice).toSorted(byUrgency);
  /** What lies in the cellar is on Rounds while it asks for something. */
  if (!isOpen(ledger) && asks.every(({ bell }) => bell === 'still')) return null;
  return {
    id,
    name,
    filled: standsIn(ledger, plan.must.vessel),
    pitchedAt: ledger.history.pitch?.at ?? null,
    phase: stateOf(ledger, now).phase,
    inBottles: isAllBottled(ledger),
    sg: view?.sg ?? ledger.history.readings.at(-1)?.sg ?? 1,
    volumeL: view?.volumeL ?? 0,
    leesL: ledger.liquid.yeastG / YEAST_G_PER_L,
    colors: colorsOf(ledger),
    asks,
  };
}

interface Known {
  mark: string;
  batch: BatchSummary;
  isAway: boolean;
  reckonedAt: number;
  json: string;
}

/** Every open vessel with its asks, as JSON. Only what was written since the last time is read and reckoned again. */
export function standingVessels(batches: Batches, now: () => number) {
  let known = new Map<string, Known>();
  const reckoned = (mark: string, batch: BatchSummary, isAway: boolean): Known => {
    const standing = standingOf(batch, isAway, now());
    return { mark, batch, isAway, reckonedAt: now(), json: standing === null ? '' : JSON.stringify(standing) };
  };
  /** How one vessel stands just now; null where none does. */
  const one = async (id: string): Promise<Standing | null> => {
    const [batch] = await batches.some([id]);
    return batch === undefined ? null : standingOf(batch, false, now());
  };
  const all = async (): Promise<string> => {
    const marks = await batches.marks();
    const changed = marks.filter(({ id, mark }) => known.get(id)?.mark !== mark);
    const read = new Map(changed.length === 0 ? [] : (await batches.some(changed.map(({ id }) => id))).map((batch) => [batch.id, batch]));
    const next = new Map<string, Known>();
    for (const { id, mark, isAway } of marks) {
      const [before, fresh] = [known.get(id), read.get(id)];
      if (fresh !== undefined) next.set(id, reckoned(mark, fresh, isAway));
      else if (before !== undefined)
        next.set(id, now() - before.reckonedAt < STALE_MS ? before : reckoned(mark, before.batch, before.isAway));
    }
    known = next;
    const stand = [...next.values()].flatMap(({ json }) => (json === '' ? [] : [json]));
    return `{"standing":[${stand.join(',')}]}`;
  };
  return { all, one };
}
