import { liquidFromMeasured, mix } from '../liquid/index.ts';
import type { Measured, Mixed } from '../liquid/index.ts';
import { Refusal } from '../quantities/index.ts';
import { levelIn } from '../vessel/index.ts';
import type { Level, Vessel } from '../vessel/index.ts';

/** Air under the bung of a narrow neck in ageing, mm (trade practice). */
const AGEING_AIR_MM = 25;
/** More air than this in ageing is asked about, mm (our estimate). */
export const MUCH_AIR_MM = 60;
/** A wide mouth ages badly: as much air as it may have beside mead, L for each liter (our estimate). */
const isWide = ({ kind }: Vessel): boolean => kind === 'bucket';
/** Oxygen that the air holds, mg in a liter at 20 °C: 21 % of 1.33 g. */
const OXYGEN_MG_PER_L_AIR = 280;

export interface Into extends Level {
  vessel: Vessel;
  volumeL: number;
  overflowL: number;
  /** Oxygen of the air above it, for each liter of mead, mg. */
  oxygenMgPerL: number;
  /** What lacks to 25 mm under the bung, L. */
  gapL: number;
  /** A full narrow neck, one with a gap to close, a wide mouth, or one that it does not fit into. */
  is: 'full' | 'gap' | 'wide' | 'too small';
}

/** Liters that stand in a vessel when the air under its bung is as it should be. */
function fullL(vessel: Vessel): number {
  let [low, high] = [0, vessel.capacityL];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (levelIn(vessel, middle).headspaceMm > AGEING_AIR_MM) low = middle;
    else high = middle;
  }
  return low;
}

/** How so much mead would stand in a vessel for ageing. @throws Refusal for no mead */
export function standsInto(vessel: Vessel, volumeL: number): Into {
  if (!(volumeL > 0)) throw new Refusal('There is nothing to rack.', 'volumeL');
  const overflowL = Math.max(0, volumeL - vessel.capacityL);
  const most = isWide(vessel) ? vessel.capacityL : fullL(vessel);
  const inL = Math.min(volumeL, most);
  const level = levelIn(vessel, inL);
  const gapL = Math.max(0, fullL(vessel) - volumeL);
  const is = volumeL > most + 1e-6 ? 'too small' : isWide(vessel) ? 'wide' : level.headspaceMm > MUCH_AIR_MM ? 'gap' : 'full';
  return {
    vessel,
    volumeL: inL,
    ...level,
    overflowL,
    gapL,
    is,
    oxygenMgPerL: (OXYGEN_MG_PER_L_AIR * Math.max(0, level.headspaceL)) / Math.max(0.01, inL),
  };
}

export interface RackInto {
  main: Into;
  /** What does not fit, in the smallest jug that holds it. */
  companion: Into | null;
  /** What finds no vessel, L. */
  leftL: number;
}

/**
 * The ways to stand so much mead in the vessels at hand, best first: full narrow necks, with a companion where some is left, before
 * gaps, before wide mouths.
 */
export function waysInto(vessels: readonly Vessel[], volumeL: number): RackInto[] {
  const ways = vessels.map((vessel, i): RackInto => {
    const main = standsInto(vessel, volumeL);
    const restL = main.is === 'too small' ? volumeL - main.volumeL : 0;
    if (restL <= UNSEEN_L) return { main, companion: null, leftL: 0 };
    const [jug] = vessels
      .filter((other, k) => k !== i && !isWide(other) && fullL(other) >= restL && restL >= LEAST_FILLED * other.capacityL)
      .sort((a, b) => a.capacityL - b.capacityL);
    return { main, companion: jug === undefined ? null : standsInto(jug, restL), leftL: jug === undefined ? restL : 0 };
  });
  const harm = ({ main, companion, leftL }: RackInto): number =>
    leftL * 1000 + (main.is === 'wide' ? 500 : 0) + main.oxygenMgPerL + (companion === null ? 0 : 5 + 0.1 * companion.oxygenMgPerL);
  return ways.sort((a, b) => harm(a) - harm(b));
}
/** A companion emptier than this share keeps its mead badly (our estimate). */
const LEAST_FILLED = 0.4;
/** A drop more or less, L. */
const UNSEEN_L = 0.02;

/** A glass marble, ml (16 mm across). */
const MARBLE_ML = 2.14;

export interface GapCloser {
  gapL: number;
  marbles: number;
  /** The mead when water closes the gap. */
  withWater: Mixed;
}

/** What closes a gap: as many marbles, or so much water with what it thins. */
export function closeGap(mead: Measured, gapL: number): GapCloser {
  const liquid = liquidFromMeasured(mead.volumeL, mead.sg, mead.abv);
  return { gapL, marbles: Math.ceil((1000 * gapL) / MARBLE_ML), withWater: mix({ ...liquid, waterG: liquid.waterG + 998.2 * gapL }) };
}
