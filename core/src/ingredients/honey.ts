import type { Masses } from '../masses/index.ts';

/**
 * Mean US honey by mass: 17.2 % water, 79.6 % sugars; what is left is taken as unfermentable.
 * White, Riethof, Subers & Kushnir, Composition of American Honeys, USDA Tech. Bull. 1261 (1962).
 */
export const MEAN_HONEY = { moisture: 0.172, sugar: 0.796, unfermentable: 0.032, densityKgPerL: 1.42 } as const;

/** Moisture a honey can plausibly have; wetter ones ferment in the jar, drier ones set like rock. */
export const HONEY_MOISTURE = { low: 0.13, high: 0.25 } as const;

/** What a mass of honey brings. `moisture` and `unfermentable` are fractions of its mass; the rest is sugar. */
export const honeyBrings = (massG: number, moisture: number, unfermentable: number): Masses => ({
  waterG: massG * moisture,
  sugarG: massG * (1 - moisture - unfermentable),
  unfermentableG: massG * unfermentable,
  ethanolG: 0,
  insolubleG: 0,
});

/** A honey by its name; “linden” alone would not say what it is. */
export const honeyName = (name: string): string => (/honey/i.test(name) ? name : `${name} honey`);
