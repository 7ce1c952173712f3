import { isAllBottled, mixedOf, stabilizedAt } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { DAY_MS, HOUR_MS, gravity, hours, onDay, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { STILL, fellInBottles, fellUnderGuard, finishOf, glassAlarm } from '../glass/index.ts';
import type { Finish } from '../glass/index.ts';
import { LAG_H, LID_LEAKS, firstWasWrong, showsLife, stallEvidence, stallVerdict } from './stall/index.ts';
import type { StallEvidence } from './stall/index.ts';
import type { StallKind } from './stall/index.ts';
import type { BatchPhase } from './phases.ts';

const MOVED_SG = 0.003;

export interface BatchState {
  phase: BatchPhase;
  sentence: Sentence;
  /** Nothing is to be done or read before then. */
  restsUntil?: number;
}

/** What only looks like a stall has its own name. */
const PHASE_OF: Record<Exclude<StallKind, 'moving' | 'lag' | 'unread'>, BatchPhase> = {
  stuck: 'stuck',
  slow: 'slowing',
  suspect: 'suspect',
  misread: 'suspect',
  tolerance: 'awaiting confirmation',
  malt: 'suspect',
  'near its end': 'near its end',
};

/** No verdict looks at nitrogen, so that no school of counting it is chosen here. */
const FACE_VALUE = 1;

/** Where a batch stands, said with its reason. */
export function stateOf(ledger: Ledger, now: number): BatchState {
  const mixed = mixedOf(ledger);
  if (ledger.history.bottled !== null) {
    const alarm = glassAlarm(ledger);
    if (alarm !== null) return { phase: fellInBottles(ledger) ? 'moving again' : 'glass in doubt', sentence: alarm };
    if (isAllBottled(ledger)) return { phase: 'bottled', sentence: say`Bottled ${when(ledger.history.bottled.at)}.` };
  }
  if (mixed === null) return emptied(ledger);
  if (ledger.history.pitch === null) return { phase: 'mixed', sentence: say`Mixed at ${gravity(mixed.sg)}; no yeast yet.` };
  const stable = stabilizedAt(ledger);
  if (stable !== null) {
    if (fellUnderGuard(ledger))
      return {
        phase: 'moving again',
        sentence: say`The gravity has fallen since it was stabilized. It ferments: do not bottle, and open what is closed.`,
      };
    return { phase: 'stabilized', sentence: say`Stabilized ${when(stable)}.` };
  }
  const last = ledger.history.readings.findLast(
    (reading) => reading.at >= (ledger.history.pitch?.at ?? 0) && reading.verdict === 'follows',
  );
  const ageH = Math.max(0, (now - ledger.history.pitch.at) / HOUR_MS);
  const fallen = last === undefined ? 0 : ledger.history.pitch.sg - last.sg;
  const finish = finishOf(ledger);
  if (last === undefined) return unread(ledger, ageH);
  if (fallen < MOVED_SG && ageH < LAG_H && !showsLife(ledger)) {
    return {
      phase: 'lag',
      sentence: say`${hours(ageH)} since the pitch. Silence before ${hours(LAG_H)} is lag, not a stall; bubbles on the wall are proof enough.`,
    };
  }
  if (finish.state !== 'moving') return ending(finish, mixed.sg, now);
  const evidence = stallEvidence(ledger, now, FACE_VALUE);
  const verdict = evidence === null ? null : stallVerdict(evidence);
  if (verdict !== null && verdict.kind !== 'moving' && verdict.kind !== 'lag' && verdict.kind !== 'unread')
    return {
      phase: PHASE_OF[verdict.kind],
      sentence: verdict.sentence,
      ...(verdict.kind === 'malt' ? { restsUntil: last.at + STILL.atEnd.days * DAY_MS } : {}),
    };
  return { phase: 'active', sentence: activeSaid(evidence, last.sg) };
}

/** Nothing is called falling that nobody has seen fall for so long. */
const UNSEEN_H = 7 * 24;

/** How it goes, by what was seen of late. */
function activeSaid(evidence: StallEvidence | null, sg: number): Sentence {
  if (evidence === null) return say`${gravity(sg)} at the last reading.`;
  const { hoursSinceReading, stillDays, leaksAtLid, wrongFirst } = evidence;
  const told =
    hoursSinceReading > UNSEEN_H
      ? say`${gravity(sg)} at the last reading, ${hours(hoursSinceReading)} ago; nobody has looked since.`
      : 24 * stillDays >= UNSEEN_H
        ? say`About ${gravity(sg)} for ${hours(24 * stillDays)}: so slow that its readings cannot tell a fall from their own errors.`
        : say`Falling, ${gravity(sg)} at the last reading.`;
  return [...told, ...(leaksAtLid ? [LID_LEAKS] : []), ...(wrongFirst === null ? [] : firstWasWrong(wrongFirst))];
}

/** Nothing is in the vessel: not yet, or no longer. */
function emptied(ledger: Ledger): BatchState {
  if (ledger.liquid.pouredG === 0) return { phase: 'empty', sentence: say`Planned; nothing is poured yet.` };
  const children = ledger.history.transfers.filter(({ direction }) => direction === 'out').map(({ name }) => name);
  return children.length > 0
    ? { phase: 'emptied', sentence: [`All of it was poured over: ${children.join(', ')}.`] }
    : { phase: 'emptied', sentence: say`Nothing is left in the vessel.` };
}

/** Not read since the pitch: a state of its own, in which nothing may be judged on the must's gravity. */
function unread(ledger: Ledger, ageH: number): BatchState {
  if (showsLife(ledger))
    return { phase: 'unread', sentence: say`It shows life, but nobody has read it since the pitch, ${hours(ageH)} ago. Read the gravity.` };
  if (ageH < LAG_H)
    return {
      phase: 'lag',
      sentence: say`${hours(ageH)} since the pitch. Silence before ${hours(LAG_H)} is lag, not a stall; bubbles on the wall are proof enough.`,
    };
  return { phase: 'unread', sentence: say`Not read since the pitch, ${hours(ageH)} ago. Read the gravity: silence proves nothing.` };
}

/** At its end by gravity or by the maker's word, proven or not. */
function ending(finish: Finish, sgNow: number, now: number): BatchState {
  const { state, by, last, level, provenAt, wantsHydrometer } = finish;
  const sg = level?.last.sg ?? last?.sg ?? sgNow;
  const byWord = by === 'word' ? ' by your word' : '';
  if (state === 'finished')
    return { phase: 'finished', sentence: say`Finished${byWord}: ${gravity(sg)}, on one level for ${hours(24 * (level?.days ?? 0))}.` };
  if (wantsHydrometer)
    return {
      phase: 'awaiting confirmation',
      sentence: say`About ${gravity(sg)}, where it should stop, by its ${last?.instrument ?? 'float'} alone. Read a hydrometer now: the proof begins with it.`,
    };
  const proof =
    provenAt === null
      ? say`Equal readings prove that it has stopped.`
      : say`An equal reading, ${onDay(Math.max(now, provenAt))} or later, proves that it has stopped.`;
  if (by === 'word') return { phase: 'awaiting confirmation', sentence: [...say`By your word it stays at ${gravity(sg)}. `, ...proof] };
  /** One reading there: it may be falling yet. */
  return {
    phase: (level?.count ?? 0) < 2 ? 'near its end' : 'awaiting confirmation',
    sentence: [...say`${gravity(sg)}, where it should stop. `, ...proof],
  };
}
