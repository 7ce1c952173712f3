import { fold } from '../record/index.ts';
import type { StallCauseId } from '../record/index.ts';
import { finishOf } from '../glass/index.ts';
import { rankCauses, stallEvidence, stallVerdict } from '../watch/index.ts';
import type { StallKind } from '../watch/index.ts';
import type { StallCase } from './stalls.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** What the diagnosis made of one case. */
interface StallResult {
  id: string;
  isStuck: boolean;
  stoppedDay: number | null;
  /** When it was first called stuck, in days after the pitch. */
  calledDay: number | null;
  /** The place of the true cause in the ranking when it was called; 0 is first. */
  rank: number | null;
  ranked: StallCauseId[];
  /** The last verdict. */
  verdict: StallKind | 'finished';
}

/** Follows a case reading by reading, as a maker would who looks after each of them. */
function diagnose({ id, truth, isStuck, played }: StallCase): StallResult {
  const { events, stoppedAtH } = played;
  const startAt = events[0]?.happenedAt ?? 0;
  let calledDay: number | null = null;
  let ranked: StallCauseId[] = [];
  let verdict: StallResult['verdict'] = 'lag';
  events.forEach((event, i) => {
    if (event.kind !== 'reading') return;
    const ledger = fold(events.slice(0, i + 1));
    const evidence = stallEvidence(ledger, event.happenedAt, 1);
    if (evidence === null) return;
    verdict = finishOf(ledger).state === 'moving' ? stallVerdict(evidence).kind : 'finished';
    if (verdict !== 'stuck' || calledDay !== null) return;
    calledDay = (event.happenedAt - startAt) / HOUR_MS / 24;
    ranked = rankCauses(evidence).map(({ cause }) => cause.id);
  });
  const place = ranked.indexOf(truth as StallCauseId);
  return {
    id,
    isStuck,
    stoppedDay: stoppedAtH === null ? null : stoppedAtH / 24,
    calledDay,
    rank: place < 0 ? null : place,
    ranked,
    verdict,
  };
}

/** All cases, and the figures that they are held to. */
export function stallStudy(cases: readonly StallCase[]) {
  const results = cases.map(diagnose);
  const stuck = results.filter((result) => result.isStuck);
  return {
    results,
    falseCalls: results.filter((result) => !result.isStuck && result.calledDay !== null),
    found: stuck.filter(({ calledDay, stoppedDay }) => calledDay !== null && stoppedDay !== null && calledDay - stoppedDay <= 4),
    wellRanked: stuck.filter(({ rank }) => rank !== null && rank <= 1),
  };
}
