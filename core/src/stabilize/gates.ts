import type { Ledger } from '../record/index.ts';
import { HOUR_MS, gravity, hours, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { WAIT_H, fellSince, finishOf, provenReadings, stabilizedAt } from '../watch/index.ts';
import type { Finish } from '../watch/index.ts';

type GateId = 'finished' | 'clear' | 'degassed' | 'stabilized' | 'waited' | 'verified';

export interface Gate {
  id: GateId;
  name: string;
  open: boolean;
  /** What it saw, or what it wants to see. */
  sentence: Sentence;
}

/** What the first gate saw, or truly still wants. */
function finishTold({ state, by, last, provenAt, wantsHydrometer, stillness }: Finish): Sentence {
  if (state === 'finished')
    return by === 'word'
      ? say`${gravity(last?.sg ?? 1)} by your word, on one line for ${hours(24 * stillness.days)}`
      : say`${gravity(last?.sg ?? 1)}, on one line for ${hours(24 * stillness.days)}`;
  if (by === null) return say`wants it at its expected end, or your word that it stays here`;
  if (wantsHydrometer) return say`wants a hydrometer’s reading, and an equal one two weeks later`;
  if (by === 'word') return say`by your word it stays here; wants three readings on one line, the last on ${when(provenAt ?? 0)}`;
  return say`wants an equal reading on or after ${when(provenAt ?? 0)}`;
}

/** The stabilizing sequence before honey, in order. */
export function gatesOf(ledger: Ledger, now: number): Gate[] {
  const finish = finishOf(ledger);
  const stable = stabilizedAt(ledger);
  const { clear, hazy, degassed } = ledger.history.marks;
  /** What was stirred out while it fermented came back. */
  const isDegassed = degassed !== undefined && degassed >= (finish.since?.at ?? Number.NEGATIVE_INFINITY);
  const isClear = clear !== undefined && clear >= (hazy ?? Number.NEGATIVE_INFINITY);
  const waitEnds = stable === null ? null : stable + WAIT_H * HOUR_MS;
  const after = waitEnds === null ? undefined : provenReadings(ledger).find((reading) => reading.at >= waitEnds);
  const verified = after !== undefined && stable !== null && !fellSince(ledger, stable);
  return [
    {
      id: 'finished',
      name: 'Finished',
      open: finish.state === 'finished',
      sentence: finishTold(finish),
    },
    {
      id: 'clear',
      name: 'Clear',
      open: isClear,
      sentence: isClear ? say`judged ${when(clear)}` : say`wants your eye: print read through it`,
    },
    {
      id: 'degassed',
      name: 'Degassed',
      open: isDegassed,
      sentence: isDegassed ? say`since ${when(degassed)}` : say`wants no prickle on the tongue`,
    },
    {
      id: 'stabilized',
      name: 'Stabilized',
      open: stable !== null,
      sentence: stable === null ? say`wants sulfite and sorbate` : say`${when(stable)}`,
    },
    {
      id: 'waited',
      name: `${WAIT_H} hours waited`,
      open: waitEnds !== null && now >= waitEnds,
      sentence:
        waitEnds === null
          ? say`starts with the sulfite`
          : now >= waitEnds
            ? say`since ${when(stable ?? now)}`
            : say`${hours((waitEnds - now) / HOUR_MS)} to go, until ${when(waitEnds)}`,
    },
    {
      id: 'verified',
      name: 'Same gravity after the wait',
      open: verified,
      sentence: verified ? say`${gravity(after.sg)}` : say`wants one reading after the wait`,
    },
  ];
}

/** Whether honey may go in, and if not, the first gate that is shut. */
export function firstShutGate(gates: readonly Gate[]): Gate | null {
  return gates.find((gate) => !gate.open) ?? null;
}
