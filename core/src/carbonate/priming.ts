import { Refusal, requireWithin } from '../quantities/index.ts';
import type { Priming } from '../record/index.ts';
import { CO2_G_PER_VOLUME, residualCo2Volumes, volumesFromPoints } from './gas.ts';

/** g of CO2 from a gram, by stoichiometry; real yields are 94 to 100 % of it. */
const PRIMING_CO2 = { sucrose: 0.5143, 'dextrose anhydrous': 0.4886, 'dextrose monohydrate': 0.4442 } as const;
const PER_FERMENTABLE_HONEY = PRIMING_CO2['dextrose anhydrous'];

export type PrimingSugar = { kind: keyof typeof PRIMING_CO2 } | { kind: 'honey' | 'juice'; fermentable: number };

/** Whatever is said of it, a gram of honey holds at least so much sugar, and one of juice (published compositions, rounded down). */
const FERMENTS_AT_LEAST = { honey: 0.7, juice: 0.05 } as const;

/** What primes, as a record has it. @throws Refusal for honey or juice of which nobody said how much ferments */
export function primingSugarOf({ what, fermentable }: Omit<Priming, 'gPerL'>): PrimingSugar {
  if (what !== 'honey' && what !== 'juice') return { kind: what };
  if (fermentable === undefined)
    throw new Refusal('Say how moist the honey is, or how sweet the juice: its sugar makes the gas.', 'fermentable');
  return { kind: what, fermentable: Math.max(FERMENTS_AT_LEAST[what], fermentable) };
}

/** g of CO2 from a gram of what primes. */
const co2PerPrimingG = (sugar: PrimingSugar): number =>
  sugar.kind === 'honey' || sugar.kind === 'juice'
    ? PER_FERMENTABLE_HONEY * requireWithin('The fermentable share', sugar.fermentable, 0.01, 1)
    : PRIMING_CO2[sugar.kind];

/** Volumes that so much of it makes in a liter. */
export const volumesMade = (sugar: PrimingSugar, gPerL: number): number => (gPerL * co2PerPrimingG(sugar)) / CO2_G_PER_VOLUME;

export interface PrimingDose {
  grams: number;
  gPerL: number;
  /** What the warmest day since fermentation left in it. */
  residualVolumes: number;
}

/**
 * Priming sugar for so many volumes in the volume measured after racking; none where it holds more already.
 * @param volumes 0 to 8 @param warmestC 0 to 32 °C
 */
export function primingDose(volumes: number, volumeL: number, warmestC: number, sugar: PrimingSugar): PrimingDose {
  requireWithin('The volumes', volumes, 0, 8);
  if (!(volumeL > 0)) throw new Refusal('There is nothing to prime.', 'volumeL');
  const residualVolumes = residualCo2Volumes(warmestC);
  const gPerL = (Math.max(0, volumes - residualVolumes) * CO2_G_PER_VOLUME) / co2PerPrimingG(sugar);
  return { grams: gPerL * volumeL, gPerL, residualVolumes };
}

/** Volumes from pieces of sugar in one bottle: tablets, drops, spoons. */
export const volumesFromPieces = (pieces: number, pieceG: number, bottleMl: number, warmestC: number, sugar: PrimingSugar): number =>
  residualCo2Volumes(warmestC) +
  (pieces * pieceG * co2PerPrimingG(sugar)) / (requireWithin('The bottle', bottleMl, 20, 20_000, 'ml') / 1000) / CO2_G_PER_VOLUME;

export interface Primed {
  plannedVolumes: number;
  plannedL: number;
  actualL: number;
  plannedWarmestC: number;
  /** Times the dose that was planned. */
  doseFactor?: number;
  /** Where it was in truth another temperature. */
  trueWarmestC?: number;
}

/** Volumes really reached where the dose was for another volume, spoon or temperature, whatever the sugar. */
export function volumesReached({ plannedVolumes, plannedL, actualL, plannedWarmestC, doseFactor = 1, trueWarmestC }: Primed): number {
  if (!(plannedL > 0) || !(actualL > 0)) throw new Refusal('Both volumes must be above 0.');
  const made = Math.max(0, plannedVolumes - residualCo2Volumes(plannedWarmestC));
  return residualCo2Volumes(trueWarmestC ?? plannedWarmestC) + (made * doseFactor * plannedL) / actualL;
}

/** How far off a bottling may be: shares too little mead and too full a spoon, points that still ferment. */
export interface PrimingSlips {
  volumeShort: number;
  doseOver: number;
  pointsLeft: number;
  trueWarmestC?: number;
}

/** The far end of the fan of errors: all of them at once, added up. */
export function primingWorst(
  planned: { volumes: number; volumeL: number; warmestC: number; sg: number; abv: number },
  { volumeShort, doseOver, pointsLeft, trueWarmestC }: PrimingSlips,
): number {
  const reached = volumesReached({
    plannedVolumes: planned.volumes,
    plannedL: planned.volumeL,
    actualL: planned.volumeL * (1 - volumeShort),
    plannedWarmestC: planned.warmestC,
    doseFactor: 1 + doseOver,
    ...(trueWarmestC === undefined ? {} : { trueWarmestC }),
  });
  return reached + volumesFromPoints(pointsLeft, planned.sg, planned.abv);
}
