/**
 * Units a maker may type, each with its factor to SI (g, L). All factors are exact by definition:
 * international avoirdupois pound 453.59237 g (1959), US gallon 231 in³ and its parts (NIST Handbook 44, App. C), UK gallon 4.54609 L
 * and its parts (Weights and Measures Act 1985). A metric teaspoon is 5 ml.
 */
export const GRAMS_PER = { mg: 0.001, g: 1, kg: 1000, lb: 453.59237, oz: 28.349523125 } as const;
export const LITERS_PER = {
  ml: 0.001,
  cl: 0.01,
  dl: 0.1,
  l: 1,
  metric_tsp: 0.005,
  us_tsp: 3.785411784 / 768,
  us_floz: 3.785411784 / 128,
  us_cup: 3.785411784 / 16,
  us_pt: 3.785411784 / 8,
  us_qt: 3.785411784 / 4,
  us_gal: 3.785411784,
  uk_floz: 4.54609 / 160,
  uk_pt: 4.54609 / 8,
  uk_qt: 4.54609 / 4,
  uk_gal: 4.54609,
} as const;

export type MassUnit = keyof typeof GRAMS_PER;
export type VolumeUnit = keyof typeof LITERS_PER;
export type TempUnit = 'c' | 'f';

/** Which units a maker reads and writes in. A UK gallon is not a US gallon. */
export type UnitSystem = 'metric' | 'us' | 'uk';

export const massToG = (value: number, unit: MassUnit): number => value * GRAMS_PER[unit];
export const massFromG = (massG: number, unit: MassUnit): number => massG / GRAMS_PER[unit];
export const volumeToL = (value: number, unit: VolumeUnit): number => value * LITERS_PER[unit];
export const volumeFromL = (volumeL: number, unit: VolumeUnit): number => volumeL / LITERS_PER[unit];
export const fahrenheitToC = (tempF: number): number => ((tempF - 32) * 5) / 9;
export const celsiusToF = (tempC: number): number => (tempC * 9) / 5 + 32;

/** Temperature in °C from either scale. */
export function tempToC(value: number, unit: TempUnit): number {
  return unit === 'f' ? fahrenheitToC(value) : value;
}

/** The units one system shows: grams or kilograms, liters or gallons, Celsius or Fahrenheit. */
export const SHOWN_UNITS: Record<UnitSystem, { smallMass: MassUnit; mass: MassUnit; volume: VolumeUnit; temp: TempUnit; label: string }> = {
  metric: { smallMass: 'g', mass: 'kg', volume: 'l', temp: 'c', label: 'kilograms, liters, °C' },
  us: { smallMass: 'g', mass: 'lb', volume: 'us_gal', temp: 'f', label: 'pounds, US gallons, °F' },
  uk: { smallMass: 'g', mass: 'lb', volume: 'uk_gal', temp: 'c', label: 'pounds, UK gallons, °C' },
};

/** What scales tell apart, g: a kitchen's, a fine one, one for salts. */
export const SCALES_G = [1, 0.1, 0.01] as const;
export type ScaleG = (typeof SCALES_G)[number];

/**
 * Grams as they can be weighed: to the step of the house's scale, and never finer than anybody needs, 0.01 below a gram, 0.1 below 100,
 * then whole ones. What is less than half a step is left to a spoon. What is written is what was shown.
 */
export const weighedG = (massG: number, scaleG: ScaleG = 0.01): number => {
  const wanted = massG < 1 ? 0.01 : massG < 100 ? 0.1 : 1;
  const step = massG < scaleG / 2 ? wanted : Math.max(wanted, scaleG);
  return Math.round(Math.round(massG / step) * step * 100) / 100;
};

export const UNIT_SYMBOL: Record<MassUnit | VolumeUnit | TempUnit, string> = {
  mg: 'mg',
  g: 'g',
  kg: 'kg',
  lb: 'lb',
  oz: 'oz',
  ml: 'ml',
  cl: 'cl',
  dl: 'dl',
  l: 'L',
  metric_tsp: 'tsp',
  us_tsp: 'US tsp',
  us_floz: 'US fl oz',
  us_cup: 'US cups',
  us_pt: 'US pt',
  us_qt: 'US qt',
  us_gal: 'US gal',
  uk_floz: 'UK fl oz',
  uk_pt: 'UK pt',
  uk_qt: 'UK qt',
  uk_gal: 'UK gal',
  c: '°C',
  f: '°F',
};
