import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, requireWithin } from '../quantities/index.ts';
import { liquidFromMeasured, mix, pourTogether } from './mixture.ts';
import type { Liquid, Mixed } from './mixture.ts';
import { brixFromSg, sgFromBrix } from './sucrose.ts';
import { WATER_20_KG_PER_M3 } from './water.ts';

/** A must of this gravity and volume, nothing fermented. */
function mustOf(volumeL: number, sg: number): Liquid {
  const massG = volumeL * sg * WATER_20_KG_PER_M3;
  const extractG = (massG * Math.max(0, brixFromSg(sg))) / 100;
  return { extractG, waterG: massG - extractG, ethanolG: 0 };
}

/**
 * Water that brings an unfermented must down to a gravity: its extract stays.
 * @throws Refusal where the gravity wanted is not lower, or is water's own
 */
export function waterToReach(volumeL: number, sg: number, targetSg: number): { waterL: number; finalVolumeL: number; byPointsL: number } {
  requireWithin('The volume', volumeL, 0.01, 5000, 'L');
  if (!(targetSg < sg)) throw new Refusal('Water only thins: the gravity wanted must lie below the present one.', 'targetSg');
  if (!(targetSg > 1)) throw new Refusal('No amount of water brings a must to 1.000; want a little more.', 'targetSg');
  const must = mustOf(volumeL, sg);
  const massG = must.waterG + must.extractG;
  const waterG = must.extractG / (brixFromSg(targetSg) / 100) - massG;
  return {
    waterL: waterG / WATER_20_KG_PER_M3,
    finalVolumeL: (massG + waterG) / (targetSg * WATER_20_KG_PER_M3),
    byPointsL: waterToReachByPoints(volumeL, sg, targetSg),
  };
}

/** The rule of points, linear in gravity; within 1 to 2 % of the mass balance for a must. */
export const waterToReachByPoints = (volumeL: number, sg: number, targetSg: number): number => volumeL * ((sg - 1) / (targetSg - 1) - 1);

/**
 * Honey that brings a must up to a gravity.
 * @param moisture of the honey, fraction
 * @throws Refusal where the gravity wanted is not higher, or is the honey's own
 */
export function honeyToReach(volumeL: number, sg: number, targetSg: number, moisture: number): { honeyG: number; finalVolumeL: number } {
  requireWithin('The volume', volumeL, 0.01, 5000, 'L');
  if (!(targetSg > sg)) throw new Refusal('Honey only thickens: the gravity wanted must lie above the present one.', 'targetSg');
  requireWithin('The gravity wanted', targetSg, 1, 1.2);
  const must = mustOf(volumeL, sg);
  const withHoney = (honeyG: number): Mixed =>
    mix(pourTogether(must, { waterG: honeyG * moisture, extractG: honeyG * (1 - moisture), ethanolG: 0 }));
  const honeyG = settled(findRoot((g) => withHoney(g).sg - targetSg, 0, volumeL * 2000, 1e-4));
  return { honeyG, finalVolumeL: withHoney(honeyG).volumeL };
}

export interface Measured {
  volumeL: number;
  sg: number;
  abv: number;
}

/**
 * Measured liquids poured together, by mass: volume (contraction and all), gravity and strength. Their order does not matter.
 * @throws Refusal where there are none, or one is less than nothing
 */
export function blend(parts: readonly Measured[]): Mixed {
  if (parts.length === 0) throw new Refusal('There is nothing to blend.');
  parts.forEach(({ volumeL }) => requireWithin('The volume', volumeL, 0, 5000, 'L'));
  return mix(parts.map(({ volumeL, sg, abv }) => liquidFromMeasured(volumeL, sg, abv)).reduce(pourTogether));
}

export interface Thinned extends Mixed {
  waterL: number;
}

/**
 * Water that brings a fermented mead down to a strength, or toward a gravity of 1.000, by mass.
 * @throws Refusal where water cannot bring it there
 */
export function thinMead(mead: Measured, target: { abv: number } | { sg: number }): Thinned {
  requireWithin('The volume', mead.volumeL, 0.01, 5000, 'L');
  const start = liquidFromMeasured(mead.volumeL, mead.sg, mead.abv);
  const after = (waterG: number): Mixed => mix({ ...start, waterG: start.waterG + waterG });
  const off = (waterG: number): number => ('abv' in target ? after(waterG).abv - target.abv : after(waterG).sg - target.sg);
  if ('abv' in target) {
    if (!(target.abv > 0 && target.abv <= mead.abv))
      throw new Refusal('Water only weakens: want less alcohol than it has, and more than none.', 'targetAbv');
  } else if (!((target.sg - 1) * (mead.sg - 1) > 0 && Math.abs(target.sg - 1) <= Math.abs(mead.sg - 1)))
    throw new Refusal('Water draws a gravity toward 1.000: want one between its own and that.', 'targetSg');
  const waterG = Math.abs(off(0)) < 1e-9 ? 0 : settled(findRoot(off, 0, 1000 * MOST_TIMES * mead.volumeL, 1e-6));
  return { waterL: waterG / WATER_20_KG_PER_M3, ...after(waterG) };
}
/** Thinned beyond this it is water. */
const MOST_TIMES = 1000;

/**
 * Share of a, by volume, in a blend of a and b whose linear mean is the target (the square rule).
 * @throws Refusal where the target does not lie between them
 */
export function shareOfFirst(a: number, b: number, target: number): number {
  if (a === b || target < Math.min(a, b) || target > Math.max(a, b))
    throw new Refusal(`${target} does not lie between ${a} and ${b}; no blend of the two gives it.`, 'target');
  return Math.abs(target - b) / (Math.abs(target - b) + Math.abs(target - a));
}

/**
 * Gravity of a sample that was too strong for its hydrometer, from the reading after diluting it with water.
 * @param by `volume`: parts by volume; `mass`: parts by mass
 * @throws Refusal where the dilution leaves nothing to read
 */
export function undilutedSg(readSg: number, sampleParts: number, waterParts: number, by: 'volume' | 'mass'): number {
  requireWithin('The diluted reading', readSg, 1, 1.2);
  if (!(sampleParts > 0) || !(waterParts >= 0)) throw new Refusal('There must be some sample, and no less than no water.', 'sampleParts');
  const brix = brixFromSg(readSg) / 100;
  if (by === 'mass') return sgFromBrix((100 * brix * (sampleParts + waterParts)) / sampleParts);
  const diluted = (sg: number): number =>
    mix(pourTogether(mustOf(sampleParts, sg), { waterG: waterParts * WATER_20_KG_PER_M3, extractG: 0, ethanolG: 0 })).sg;
  if (diluted(STRONGEST_SAMPLE_SG) < readSg)
    throw new Refusal('Diluted so far it cannot read so much; check the parts and the reading.', 'readSg');
  return settled(findRoot((sg) => diluted(sg) - readSg, 1, STRONGEST_SAMPLE_SG, 1e-7));
}

/** Beyond 75 °Bx the density tables end. */
const STRONGEST_SAMPLE_SG = 1.37;
