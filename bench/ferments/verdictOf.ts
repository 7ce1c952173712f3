import { fold } from '@hollow-bell/core/record';
import type { StallCauseId } from '@hollow-bell/core/record';
import { curesFor, rankCauses, stallEvidence, stallVerdict, stateOf } from '@hollow-bell/core/watch';
import type { Cure, ShownPhase, StallKind } from '@hollow-bell/core/watch';
import { eventsOf, momentOfHour } from './given.ts';
import type { Given } from './given.ts';

const STATES: Partial<Record<ShownPhase, string>> = {
  lag: 'lag',
  unread: 'check_reading',
  active: 'fermenting',
  slowing: 'slow',
  'near its end': 'slow',
  'awaiting confirmation': 'finished',
  finished: 'finished',
  stuck: 'stuck',
};
const CAUSE_WORDS: Record<StallCauseId, string> = {
  cold: 'cold',
  swing: 'cold',
  'strong start': 'osmotic',
  tolerance: 'tolerance',
  gas: 'none',
  nitrogen: 'nitrogen',
  sour: 'ph_low',
  addition: 'acid_fruit',
  preservative: 'preservative',
  heat: 'heat',
};
const LOOKS: Partial<Record<StallKind, string>> = {
  lag: 'normal_lag',
  malt: 'unfermentable',
  tolerance: 'tolerance',
  misread: 'outlier',
};
const ADVICE: Record<Cure['id'], string[]> = {
  warm: ['warm_up'],
  cool: ['cool_down'],
  rouse: ['stir'],
  'raise pH': ['measure_ph', 'raise_ph'],
  feed: ['add_organic'],
  measure: ['measure_again'],
  restart: ['restart'],
  leave: ['wait'],
  'give up': ['discard'],
};

export interface Judged {
  id: string;
  at_h: number;
  state: string;
  causes: string[];
  advice: string[];
}

/** What the clinic would have said of a given mead at the moment asked, in the collection’s words. */
export function judge(question: Given): Judged {
  const at = momentOfHour(question.at_h);
  const ledger = fold(eventsOf(question));
  const { phase } = stateOf(ledger, at);
  const evidence = stallEvidence(ledger, at, 1);
  const asked = { id: question.id, at_h: question.at_h };
  if (evidence === null) return { ...asked, state: 'check_reading', causes: [], advice: ['measure_again'] };
  const verdict = stallVerdict(evidence);
  const ranked = rankCauses(evidence, ledger.care.findings);
  const isOver = phase === 'finished' || phase === 'awaiting confirmation';
  const mayBeStuck = phase === 'stuck' || phase === 'suspect' || phase === 'slowing';
  const look = LOOKS[verdict.kind];
  const causes = look !== undefined ? [look] : phase === 'stuck' ? ranked.map(({ cause }) => CAUSE_WORDS[cause.id]) : ['none'];
  const state =
    verdict.kind === 'misread' && !isOver
      ? 'check_reading'
      : verdict.kind === 'malt' || verdict.kind === 'tolerance'
        ? 'finished'
        : phase === 'suspect'
          ? 'slow'
          : (STATES[phase] ?? 'check_reading');
  const [next] = mayBeStuck ? curesFor(verdict, evidence, ranked) : [];
  const advice = next === undefined ? ['wait'] : ADVICE[next.id];
  return { ...asked, state, causes: [...new Set(causes)], advice };
}
