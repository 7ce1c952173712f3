import { Refusal, requireWithin } from '../quantities/index.ts';

/** kJ/(kg K): water; a must of 24 °Bx; honey of 17 % water; a dry mead (physical tables, rounded). */
export const HEAT_CAPACITY = { water: 4.18, must: 3.65, honey: 2.5, mead: 4 } as const;

export interface WarmMass {
  massKg: number;
  heatCapacity: number;
  tempC: number;
}

const hotC = (name: string, tempC: number): number => requireWithin(name, tempC, -20, 110, '°C');

/**
 * What several liquids come to when they are poured together, °C, each by its mass and heat capacity; nothing lost to the vessel.
 * @throws Refusal where there is nothing, or less than nothing
 */
export function mixedTemperature(parts: readonly WarmMass[]): number {
  if (parts.some(({ massKg, heatCapacity }) => !(massKg >= 0) || !(heatCapacity > 0)))
    throw new Refusal('Each part must weigh something and take up heat.');
  parts.forEach(({ tempC }) => hotC('A part’s temperature', tempC));
  const holds = parts.reduce((sum, { massKg, heatCapacity }) => sum + massKg * heatCapacity, 0);
  if (!(holds > 0)) throw new Refusal('There is nothing to mix.');
  return parts.reduce((sum, { massKg, heatCapacity, tempC }) => sum + massKg * heatCapacity * tempC, 0) / holds;
}

/**
 * Kilograms of a second liquid that bring the first to a temperature.
 * @throws Refusal where that does not lie between the two
 */
export function massForTemperature(first: WarmMass, added: Omit<WarmMass, 'massKg'>, wantedC: number): number {
  if (!(first.massKg > 0) || !(first.heatCapacity > 0) || !(added.heatCapacity > 0))
    throw new Refusal('Each part must weigh something and take up heat.');
  for (const tempC of [first.tempC, added.tempC, wantedC]) hotC('The temperature', tempC);
  const share = (wantedC - first.tempC) / (added.tempC - wantedC);
  if (!Number.isFinite(share) || share < 0) throw new Refusal('The temperature wanted must lie between those of the two.', 'wantedC');
  return (first.massKg * first.heatCapacity * share) / added.heatCapacity;
}
