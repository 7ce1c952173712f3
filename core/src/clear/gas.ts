import { co2SolubilityVolumes } from '../carbonate/index.ts';
import type { Ranged, Sentence } from '../quantities/index.ts';
import { say } from '../quantities/index.ts';
import type { Ledger } from '../record/index.ts';

/** Half a minute one way, half a minute the other, so often (trade practice). */
export const STIR_DRILL = { seconds: 30, times: 8 } as const;

/** Volumes of gas that the tongue's word stands for, as a share of what the mead can hold at this temperature (our estimate). */
const SHARE = {
  strong: { value: 1, low: 0.8, high: 1.3 },
  some: { value: 0.6, low: 0.4, high: 0.8 },
  none: { value: 0.25, low: 0.1, high: 0.4 },
} as const;

/** How much gas is left by the tongue and the warmth, volumes; null where nobody tasted. @param tempC 0 to 40 @param abv % vol */
export function gasLeft({ history: { prickles } }: Ledger, tempC: number, abv: number): Ranged | null {
  const last = prickles.at(-1);
  if (last === undefined) return null;
  const holds = co2SolubilityVolumes(Math.min(40, Math.max(0, tempC)), Math.min(22, abv));
  const share = SHARE[last.prickle];
  return { value: share.value * holds, low: share.low * holds, high: share.high * holds };
}

/** What stands before finings; null where nothing does. */
export function gasBeforeFining({ history: { prickles, marks } }: Ledger): Sentence | null {
  if (marks.degassed !== undefined) return null;
  return prickles.at(-1) === undefined
    ? say`Taste it first: finings fail in gassy wine, since the gas lifts what should sink.`
    : say`It prickles still: finings fail in gassy wine. Stir half a minute each way, ${String(STIR_DRILL.times)} times, the airlock on between; or keep it warm some days.`;
}
