import { mixedOf } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { DAY_MS, HOUR_MS, gravity, hours, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { CONFIRM_DAYS, finishOf } from './finish.ts';
import { LAG_H, LID_LEAKS, isQuiet, stallEvidence, stallVerdict } from './stall/index.ts';
import type { StallKind } from './stall/index.ts';
import { fellInBottles, fellSince, stabilizedAt, sweetenedAt } from './stabilized.ts';

const MOVED_SG = 0.003;

export type BatchPhase =
  | 'empty'
  | 'mixed'
  | 'lag'
  | 'active'
  | 'slowing'
  | 'suspect'
  | 'stuck'
  | 'near its end'
  | 'awaiting confirmation'
  | 'finished'
  | 'stabilized'
  | 'moving again'
  | 'bottled';

export interface BatchState {
  phase: BatchPhase;
  sentence: Sentence;
  /** Nothing is to be done or read before then. */
  restsUntil?: number;
}

/** What only looks like a stall has its own name. */
const PHASE_OF: Record<Exclude<StallKind, 'moving' | 'lag'>, BatchPhase> = {
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

/** Glass that bursts in the hand is the worst that a mead can do. */
const inBottles = (ledger: Ledger): BatchState => ({
  phase: 'moving again',
  sentence: say`A bottle reads ${gravity(ledger.readings.at(-1)?.sg ?? 1)}, less than when it was bottled: it ferments in closed glass, which may burst in the hand. Leave the bottles where they are, covered with a thick cloth; cool them. Guard eyes and hands before you let the gas out, slowly, one by one; ask someone who knows, when in doubt.`,
});

/** Where a batch stands, said with its reason. */
export function stateOf(ledger: Ledger, now: number): BatchState {
  const mixed = mixedOf(ledger);
  if (ledger.bottled !== null)
    return fellInBottles(ledger) ? inBottles(ledger) : { phase: 'bottled', sentence: say`Bottled ${when(ledger.bottled.at)}.` };
  if (mixed === null) return { phase: 'empty', sentence: say`Planned; nothing is poured yet.` };
  if (ledger.pitch === null) return { phase: 'mixed', sentence: say`Mixed at ${gravity(mixed.sg)}; no yeast yet.` };
  const stable = stabilizedAt(ledger);
  if (stable !== null) {
    const from = sweetenedAt(ledger) ?? stable;
    if (fellSince(ledger, from))
      return {
        phase: 'moving again',
        sentence: say`The gravity has fallen since it was stabilized. It ferments: do not bottle, and open what is closed.`,
      };
    return { phase: 'stabilized', sentence: say`Stabilized ${when(stable)}.` };
  }
  const last = ledger.readings.findLast((reading) => reading.at >= (ledger.pitch?.at ?? 0));
  const ageH = (now - ledger.pitch.at) / HOUR_MS;
  const fallen = last === undefined ? 0 : ledger.pitch.sg - last.sg;
  if (fallen < MOVED_SG && ageH < LAG_H) {
    return {
      phase: 'lag',
      sentence: say`${hours(ageH)} since the pitch. Silence before ${hours(LAG_H)} is lag, not a stall; bubbles on the wall are proof enough.`,
    };
  }
  const finish = finishOf(ledger);
  if (finish.state === 'finished')
    return { phase: 'finished', sentence: say`Finished: ${gravity(finish.last?.sg ?? mixed.sg)} twice, a week apart.` };
  if (finish.state === 'waiting') {
    if (finish.wantsHydrometer)
      return {
        phase: 'awaiting confirmation',
        sentence: say`About ${gravity(finish.last?.sg ?? mixed.sg)}, where it should end, by its ${finish.last?.instrument ?? 'float'} alone. Read a hydrometer now, and again in a week: that is proof.`,
      };
    /** One reading there: it may be falling yet. */
    if (finish.since === finish.last)
      return {
        phase: 'near its end',
        sentence: say`${gravity(finish.last?.sg ?? mixed.sg)}, where it should end, and it may fall a little yet. Two equal readings a week apart are proof: the second on or after ${when(finish.provenAt ?? now)}.`,
      };
    return {
      phase: 'awaiting confirmation',
      sentence: say`${gravity(finish.last?.sg ?? mixed.sg)}, where it should end. Equal again on or after ${when(finish.provenAt ?? now)} is proof.`,
    };
  }
  const evidence = stallEvidence(ledger, now, FACE_VALUE);
  const verdict = evidence === null ? null : stallVerdict(evidence);
  if (verdict !== null && verdict.kind !== 'moving' && verdict.kind !== 'lag')
    return {
      phase: PHASE_OF[verdict.kind],
      sentence: verdict.sentence,
      ...(verdict.kind === 'malt' && last !== undefined ? { restsUntil: last.at + CONFIRM_DAYS * DAY_MS } : {}),
    };
  return {
    phase: 'active',
    sentence: [...say`Falling, ${gravity(last?.sg ?? mixed.sg)} at the last reading.`, ...(isQuiet(ledger) ? [LID_LEAKS] : [])],
  };
}
