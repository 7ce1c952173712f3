import type { Ranged } from '../quantities/index.ts';
import { kegPressureBar } from './gas.ts';

export interface ForceWay {
  id: 'set' | 'rock';
  name: string;
  days: Ranged;
  says: string;
}

/** Two ways to force gas into a keg, with how long each takes where it is cold (trade practice, rough). */
export const FORCE_WAYS: readonly ForceWay[] = [
  {
    id: 'set',
    name: 'set and wait',
    days: { value: 10, low: 7, high: 14 },
    says: 'leave it at its pressure until it takes no more; it cannot become too much',
  },
  {
    id: 'rock',
    name: 'rock it',
    days: { value: 1, low: 0.2, high: 2 },
    says: 'at the same pressure, rocked until the hissing stops, then a day of rest; never at a higher one',
  },
];

const PSI_PER_BAR = 14.5038;
/** As regulators of the States are marked. */
export const psiOf = (bar: number): number => bar * PSI_PER_BAR;

/** Temperatures of a force table, °C. */
const TABLE_C = [2, 5, 8, 12, 16, 20] as const;

/** Set pressures for so many volumes, bar, by the keg's temperature. @param volumes 0 to 6 @param abv 0 to 22 % vol */
export const forceTable = (volumes: number, abv: number): { tempC: number; bar: number }[] =>
  TABLE_C.map((tempC) => ({ tempC, bar: Math.max(0, kegPressureBar(volumes, tempC, abv)) }));

/** Below this yeast makes no gas in bottles (our estimate). */
export const CARBONATES_FROM_C = 10;
/** Days until bottles have made their gas, by how warm they stand; null where yeast rests (trade practice: two weeks warm; the rest our estimates). */
export function carbonateDays(tempC: number): Ranged | null {
  if (tempC < CARBONATES_FROM_C) return null;
  if (tempC < 15) return { value: 42, low: 28, high: 70 };
  return tempC < 18 ? { value: 21, low: 14, high: 35 } : { value: 14, low: 10, high: 21 };
}

/** Sugar sinks, and yeast begins: from the stirring to the last bottle at most so many hours, stirred gently again in between (our estimate). */
export const MIX_WITHIN_H = 4;
