import type { ProbePoint } from '../float/index.ts';
import { normal } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { MINUTE_MS } from '../quantities/index.ts';

/** A pot on a flame, and a probe in the middle of the mead that stands in it. */
export interface ProbePlay {
  startAt: number;
  /** Mead and water as they stand, °C. */
  startC: number;
  /** The flame is turned down when the bath reads so much, °C. */
  bathC: number;
  /** Minutes after which the core has made up 63 % of what it lacks. */
  lagMin: number;
  minutes: number;
  /** What a probe does wrong: it jumps at these minutes, and sends nothing from this one on. */
  jumpsAtMin?: readonly number[];
  stopsAtMin?: number;
}

/** How fast a flame warms the pot, °C a minute, and a probe’s noise, °C. */
const FLAME_C_PER_MIN = 2;
const NOISE_C = 0.1;
const JUMP_C = 35;

/** What a simulated probe sends, a reading a minute. The same seed gives the same readings. */
export function probeReadings({ startAt, startC, bathC, lagMin, minutes, jumpsAtMin = [], stopsAtMin }: ProbePlay, rng: Rng): ProbePoint[] {
  const points: ProbePoint[] = [];
  let [core, bath] = [startC, startC];
  for (let minute = 0; minute <= minutes; minute++) {
    const noise = NOISE_C * normal(rng);
    if (stopsAtMin === undefined || minute < stopsAtMin)
      points.push({
        at: startAt + minute * MINUTE_MS,
        coreC: Math.round(10 * (core + noise + (jumpsAtMin.includes(minute) ? JUMP_C : 0))) / 10,
        bathC: Math.round(10 * bath) / 10,
      });
    const after = Math.min(bathC, bath + FLAME_C_PER_MIN);
    core += (1 - Math.exp(-1 / lagMin)) * ((bath + after) / 2 - core);
    bath = after;
  }
  return points;
}
