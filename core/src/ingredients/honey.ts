/**
 * Mean US honey by mass: 17.2 % water, 79.6 % sugars; what is left is taken as unfermentable.
 * White, Riethof, Subers & Kushnir, Composition of American Honeys, USDA Tech. Bull. 1261 (1962).
 */
export const MEAN_HONEY = { moisture: 0.172, sugar: 0.796, unfermentable: 0.032, densityKgPerL: 1.42 } as const;

/** Moisture a honey can plausibly have; wetter ones ferment in the jar, drier ones set like rock. */
export const HONEY_MOISTURE = { low: 0.13, high: 0.25 } as const;

export interface HoneySolids {
  waterG: number;
  sugarG: number;
  unfermentableG: number;
}

/** What a mass of honey brings. `moisture` and `unfermentable` are fractions of its mass; the three parts add up to it. */
export function honeySolids(massG: number, moisture: number, unfermentable: number): HoneySolids {
  return { waterG: massG * moisture, unfermentableG: massG * unfermentable, sugarG: massG * (1 - moisture - unfermentable) };
}
