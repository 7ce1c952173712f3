import { Refusal } from './refusal.ts';

/**
 * Units a maker may type, each with its factor to SI (g, L). All factors are exact by definition:
 * international avoirdupois pound 453.59237 g (1959), US gallon 231 in³, UK gallon 4.54609 L (Weights and Measures Act 1985).
 */
export const GRAMS_PER = { g: 1, kg: 1000, lb: 453.59237, oz: 28.349523125 } as const;
export const LITERS_PER = {
  ml: 0.001,
  l: 1,
  us_floz: 0.0295735295625,
  us_gal: 3.785411784,
  uk_floz: 0.0284130625,
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

const UNIT_WORDS: Record<string, { mass?: MassUnit; volume?: VolumeUnit; temp?: TempUnit }> = {
  g: { mass: 'g' },
  gram: { mass: 'g' },
  grams: { mass: 'g' },
  kg: { mass: 'kg' },
  lb: { mass: 'lb' },
  lbs: { mass: 'lb' },
  pound: { mass: 'lb' },
  pounds: { mass: 'lb' },
  oz: { mass: 'oz' },
  ml: { volume: 'ml' },
  l: { volume: 'l' },
  liter: { volume: 'l' },
  litre: { volume: 'l' },
  liters: { volume: 'l' },
  litres: { volume: 'l' },
  'us gal': { volume: 'us_gal' },
  usgal: { volume: 'us_gal' },
  'uk gal': { volume: 'uk_gal' },
  ukgal: { volume: 'uk_gal' },
  c: { temp: 'c' },
  '°c': { temp: 'c' },
  f: { temp: 'f' },
  '°f': { temp: 'f' },
};

/** What a unit word means to this maker; a bare `gal` is the gallon of their own system, US where that is metric. */
export function unitFromWord(word: string, system: UnitSystem): { mass?: MassUnit; volume?: VolumeUnit; temp?: TempUnit } {
  const key = word.trim().toLowerCase();
  if (key === 'gal' || key === 'gallon' || key === 'gallons') return { volume: system === 'uk' ? 'uk_gal' : 'us_gal' };
  const found = UNIT_WORDS[key];
  if (found === undefined) throw new Refusal(`“${word}” is not a unit I know; use g, kg, lb, oz, ml, L, gal, °C or °F.`);
  return found;
}

/** The units one system shows: grams or kilograms, liters or gallons, Celsius or Fahrenheit. */
export const SHOWN_UNITS: Record<UnitSystem, { smallMass: MassUnit; mass: MassUnit; volume: VolumeUnit; temp: TempUnit; label: string }> = {
  metric: { smallMass: 'g', mass: 'kg', volume: 'l', temp: 'c', label: 'kilograms, liters, °C' },
  us: { smallMass: 'g', mass: 'lb', volume: 'us_gal', temp: 'f', label: 'pounds, US gallons, °F' },
  uk: { smallMass: 'g', mass: 'lb', volume: 'uk_gal', temp: 'c', label: 'pounds, UK gallons, °C' },
};

export const UNIT_SYMBOL: Record<MassUnit | VolumeUnit | TempUnit, string> = {
  g: 'g',
  kg: 'kg',
  lb: 'lb',
  oz: 'oz',
  ml: 'ml',
  l: 'L',
  us_floz: 'US fl oz',
  us_gal: 'US gal',
  uk_floz: 'UK fl oz',
  uk_gal: 'UK gal',
  c: '°C',
  f: '°F',
};
