import { feedingNow, isComing } from '../feed/index.ts';
import type { FeedingPlan } from '../feed/index.ts';
import { meadBottled, stabilizedAt, sweetenedAt } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { finishOf } from '../glass/index.ts';
import { STATIONS } from './ask.ts';
import type { Station } from './ask.ts';

/** How a station stands: `passed` by without its work, as a dry mead passes the honey. */
export type Knot = 'done' | 'half' | 'now' | 'ahead' | 'passed';

type Work = 'done' | 'half' | 'ahead' | 'open';

/** What the record shows of each station's work; nothing counts as done because a later station was reached. */
function workOf(ledger: Ledger, feeding: FeedingPlan | null, now: number): Record<Station, Work> {
  const as = (isDone: boolean, isBegun = false): Work => (isDone ? 'done' : isBegun ? 'half' : 'open');
  const { pitch, bottled, marks } = ledger.history;
  const isFed = ledger.history.doses.length > 0;
  const feeds = pitch === null || feeding === null ? null : feedingNow(feeding, ledger, now).doses.some(isComing);
  const isFinished = bottled !== null || (pitch !== null && finishOf(ledger).state === 'finished');
  return {
    formulate: as(ledger.liquid.pouredG > 0),
    pitch: as(pitch !== null, ledger.liquid.pouredG > 0),
    feed: !isFed && feeds === true ? 'ahead' : as(isFed && feeds === false, isFed),
    watch: as(
      isFinished,
      ledger.history.readings.some(({ at }) => at >= (pitch?.at ?? Number.POSITIVE_INFINITY)),
    ),
    clear: as((marks.clear ?? 0) > (marks.hazy ?? 0), ledger.history.rackedAt !== null),
    stabilize: as(stabilizedAt(ledger) !== null, ledger.liquid.guardSo2Mg > 0 || ledger.liquid.guardSorbicMg > 0),
    sweeten: as(sweetenedAt(ledger) !== null),
    bottle: as(bottled !== null),
    taste: as(bottled !== null && (marks.tasting ?? 0) > bottled.at),
  };
}

/** Every station of a batch as it stands. @param here where the work is now */
export function knotsOf(ledger: Ledger, feeding: FeedingPlan | null, here: Station, now: number): Record<Station, Knot> {
  const work = workOf(meadBottled(ledger) ?? ledger, feeding, now);
  if (ledger.history.bottled !== null)
    Object.assign(work, { bottle: 'done', taste: (ledger.history.marks.tasting ?? 0) > ledger.history.bottled.at ? 'done' : 'open' });
  const reached = STATIONS.indexOf(here);
  const knots = STATIONS.map((station, i): [Station, Knot] => {
    if (station === here) return [station, 'now'];
    const state = work[station];
    return [station, state === 'open' ? (i < reached ? 'passed' : 'ahead') : state];
  });
  return Object.fromEntries(knots) as Record<Station, Knot>;
}
