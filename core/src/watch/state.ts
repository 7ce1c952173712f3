import { mixedOf } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { gPerL, gravity, hours, say, tempC, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { expectedEnd, finishOf } from './finish.ts';
import { fellSince, stabilizedAt, sweetenedAt } from './stabilized.ts';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Silence before this is lag, not a stall. */
export const LAG_H = 72;
/** Gravity unchanged this long above the expected end is worth calling. */
const STILL_DAYS = 3;
const MOVED_SG = 0.003;

export type BatchPhase =
  'empty' | 'mixed' | 'lag' | 'active' | 'not moving' | 'awaiting confirmation' | 'finished' | 'stabilized' | 'moving again' | 'bottled';

export interface BatchState {
  phase: BatchPhase;
  sentence: Sentence;
}

/** Where a batch stands, said with its reason. */
export function stateOf(ledger: Ledger, now: number): BatchState {
  const mixed = mixedOf(ledger);
  if (ledger.bottled !== null) return { phase: 'bottled', sentence: say`Bottled ${when(ledger.bottled.at)}.` };
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
    return {
      phase: 'awaiting confirmation',
      sentence: say`${gravity(finish.last?.sg ?? mixed.sg)}, where it should end. Equal again on or after ${when(finish.provenAt ?? now)} is proof.`,
    };
  }
  const since = finish.since;
  if (since !== null && last !== undefined && last.at - since.at >= STILL_DAYS * DAY_MS) {
    const yeast = yeastOf(ledger.pitch);
    const sugar = gPerL(ledger.sugarG / mixed.volumeL);
    const cold = ledger.tempC !== null && ledger.tempC.value < yeast.tempC.low;
    const cause = cold
      ? say`Stopped at ${gravity(last.sg)} with ${sugar} of sugar left. Cold is the likeliest cause: ${tempC(ledger.tempC?.value ?? 0)}, and this yeast wants ${tempC(yeast.tempC.low)} to ${tempC(yeast.tempC.high)}. Warm it slowly, then read again in 48 h.`
      : say`Stopped at ${gravity(last.sg)} with ${sugar} of sugar left, above the ${gravity(expectedEnd(ledger)?.sg.high ?? 1)} expected at most. Stir, let the bubbles go, and read again before doing anything else.`;
    return { phase: 'not moving', sentence: cause };
  }
  return { phase: 'active', sentence: say`Falling, ${gravity(last?.sg ?? mixed.sg)} at the last reading.` };
}
