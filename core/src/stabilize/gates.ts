import { viewOf } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { HOUR_MS, gPerL, gravity, hours, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { fellSince, finishOf, provenReadings, stabilizedAt, sweetenedAt } from '../watch/index.ts';

/** Sulfite and sorbate work for a day before honey goes in. */
export const WAIT_H = 24;
/** Readings that prove the honey stays honey come this long after it. */
export const VERIFY_H = 48;

/** Above either, an unstabilized mead still holds sugar enough to burst glass; both are our estimates of what counts as dry. */
const DRY_BELOW_SG = 1;
const DRY_BELOW_G_PER_L = 20;

export type GateId = 'finished' | 'clear' | 'degassed' | 'stabilized' | 'waited' | 'verified';

export interface Gate {
  id: GateId;
  name: string;
  open: boolean;
  /** What it saw, or what it wants to see. */
  sentence: Sentence;
}

/** The stabilizing sequence before honey, in order. */
export function gatesOf(ledger: Ledger, now: number): Gate[] {
  const finish = finishOf(ledger);
  const stable = stabilizedAt(ledger);
  const { clear, hazy, degassed } = ledger.marks;
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
      sentence:
        finish.state === 'finished'
          ? say`${gravity(finish.last?.sg ?? 1)} twice, a week apart`
          : finish.provenAt === null
            ? say`wants two equal readings, a week apart`
            : finish.wantsHydrometer
              ? say`wants a hydrometer’s reading, and an equal one a week later`
              : say`wants an equal reading on ${when(finish.provenAt)}`,
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

/** Whether a bottle may be closed on it: stable by gravity, and verified again once honey went in. Null means yes. */
export function whyNotBottle(ledger: Ledger, now: number): Sentence | null {
  const stable = stabilizedAt(ledger);
  const honeyAt = sweetenedAt(ledger);
  if (stable !== null && fellSince(ledger, honeyAt ?? stable)) {
    return say`The gravity has fallen since ${when(honeyAt ?? stable)}: it is fermenting. Closed glass would burst. Leave it under an airlock.`;
  }
  if (honeyAt !== null) {
    const verifyAt = honeyAt + VERIFY_H * HOUR_MS;
    const verified = provenReadings(ledger).filter((reading) => reading.at > honeyAt);
    const last = verified.at(-1);
    if (last !== undefined && last.at >= verifyAt) {
      const expectedThen = verified[0]?.expectedSg ?? last.sg;
      return expectedThen - last.sg > 0.004
        ? say`It reads ${gravity(last.sg)}, below the ${gravity(expectedThen)} that the honey should have made it. If it ferments, closed glass would burst. Wait, and read again.`
        : null;
    }
    const wait = now < verifyAt ? say` That is on ${when(verifyAt)}.` : [];
    return [
      ...say`Honey went in ${when(honeyAt)}. Bottled while it still ferments, the glass bursts: read the gravity ${hours(VERIFY_H)} after the honey first.`,
      ...wait,
    ];
  }
  const finish = finishOf(ledger);
  const sugarGPerL = viewOf(ledger)?.sugarGPerL ?? 0;
  if (finish.state === 'finished' && stable === null && ((finish.last?.sg ?? 1) >= DRY_BELOW_SG || sugarGPerL > DRY_BELOW_G_PER_L)) {
    return say`It stands still at ${gravity(finish.last?.sg ?? 1)}, but about ${gPerL(sugarGPerL)} of sugar is left: stopped is not stable, and what wakes up in closed glass bursts it. Stabilize it first.`;
  }
  if (finish.state === 'finished') return null;
  const honeyLate = ledger.honeys.some((honey) => honey.afterPitch);
  if (honeyLate && stable === null)
    return say`Honey went into a mead that is not stabilized. Closed glass would burst. Wait until it reads the same twice, a week apart.`;
  return say`The gravity is not proven steady. What ferments on in closed glass bursts it: wait for two equal readings, a week apart.`;
}
