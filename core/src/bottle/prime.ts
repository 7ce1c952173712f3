import { gasFan, pressureIn, primingDose, residualCo2Volumes, volumesMade } from '../carbonate/index.ts';
import type { GasFan, PrimingSugar } from '../carbonate/index.ts';
import type { Ledger } from '../record/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { bubblingOf } from '../glass/index.ts';

export interface PrimeWanted {
  volumes: number;
  /** Measured after racking, L. */
  volumeL: number;
  warmestC: number;
  sugar: PrimingSugar;
  /** The syrup, stirred into all of it; or each bottle its own. */
  where: 'bulk' | 'each';
}

export interface PrimePlan {
  sugarG: Ranged;
  gPerL: number;
  residualVolumes: number;
  madeVolumes: number;
  syrupWaterL: number;
  fan: GasFan;
  /** In a bottle of the usual size, from purged and as planned to closed over air and with a slip. */
  barAt20: Ranged;
  barAt30: Ranged;
}

/** Water that a syrup of so much sugar is boiled with, L: twice its weight, to the tenth of a liter (trade practice: thin enough to mix). */
const syrupWaterL = (sugarG: number): number => (sugarG <= 0 ? 0 : Math.ceil((2 * sugarG) / 100) / 10);

/** How well a maker knows the warmest day, ± °C (our estimate). */
const WARMEST_KNOWN_C = 2;
const USUAL_ML = 750;
const [ROOM_C, SUMMER_C] = [20, 30];

/**
 * What priming sugar a mead wants for so many volumes, and what may come of it.
 *
 * @param ledger the finished mead, before its sugar
 * @throws Refusal for volumes outside 0 to 8, no mead, or warmth outside 0 to 32 °C
 */
export function planPriming(ledger: Ledger, { volumes, volumeL, warmestC, sugar, where }: PrimeWanted): PrimePlan {
  const doseAt = (tempC: number): number => primingDose(volumes, volumeL, Math.min(32, Math.max(0, tempC)), sugar).grams;
  const { grams, gPerL, residualVolumes } = primingDose(volumes, volumeL, warmestC, sugar);
  const reached = Math.max(volumes, residualVolumes);
  const bubbling = bubblingOf(ledger, reached, volumeL, warmestC);
  const fan = gasFan(bubbling);
  const barAt = (tempC: number): Ranged => ({
    low: pressureIn(reached, tempC, USUAL_ML, bubbling.abv, null),
    value: pressureIn(reached, tempC, USUAL_ML, bubbling.abv),
    high: pressureIn(fan.one, tempC, USUAL_ML, bubbling.abv),
  });
  return {
    sugarG: { value: grams, low: doseAt(warmestC - WARMEST_KNOWN_C), high: doseAt(warmestC + WARMEST_KNOWN_C) },
    gPerL,
    residualVolumes: residualCo2Volumes(warmestC),
    madeVolumes: volumesMade(sugar, gPerL),
    syrupWaterL: where === 'bulk' ? syrupWaterL(grams) : 0,
    fan,
    barAt20: barAt(ROOM_C),
    barAt30: barAt(SUMMER_C),
  };
}
