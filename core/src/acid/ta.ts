import { Refusal, requireWithin } from '../quantities/index.ts';
import { BASE_SALTS, TARTARIC_G_PER_EQUIVALENT } from '../record/index.ts';

/** Grams that give off one mole of protons at pH 8.2: molar mass ÷ protons, by stoichiometry. */
export const ACID_G_PER_EQUIVALENT = {
  tartaric: TARTARIC_G_PER_EQUIVALENT,
  malic: 134.087 / 2,
  citric: 192.124 / 3,
  'citric monohydrate': 210.139 / 3,
  lactic: 90.078,
  sulfuric: 98.078 / 2,
} as const;
export type AcidId = keyof typeof ACID_G_PER_EQUIVALENT;

/** What takes acid away: grams for a mole of it, and moles of gas for each. */
const DEACIDIFIERS = {
  'potassium bicarbonate': { gPerEquivalent: BASE_SALTS.bicarbonate.gPerEquivalent, co2: 1 },
  'potassium carbonate': { gPerEquivalent: BASE_SALTS.carbonate.gPerEquivalent, co2: 0.5 },
  'sodium bicarbonate': { gPerEquivalent: 84.007, co2: 1 },
  'calcium carbonate': { gPerEquivalent: 100.087 / 2, co2: 0.5 },
} as const;
export type DeacidifierId = keyof typeof DEACIDIFIERS;
const CO2_G_PER_MOL = 44.01;

const notNegative = (name: string, value: number): number => requireWithin(name, value, 0, 100_000);
const someLiters = (volumeL: number): number => requireWithin('The volume', volumeL, 0.001, 5000, 'L');

/** Titratable acidity given as one acid, as another, g/L. */
export const taAs = (gPerL: number, from: AcidId, to: AcidId): number => (gPerL * ACID_G_PER_EQUIVALENT[to]) / ACID_G_PER_EQUIVALENT[from];

/** Rise of the titratable acidity, g/L as `unit`, from grams of an acid. */
export const taRiseGPerL = (grams: number, volumeL: number, acid: AcidId, unit: AcidId = 'tartaric'): number =>
  taAs(notNegative('The acid', grams) / someLiters(volumeL), acid, unit);

/** Grams of an acid that raise the titratable acidity by so much, g/L as `unit`. @throws Refusal for a fall */
export const acidForRiseG = (riseGPerL: number, volumeL: number, acid: AcidId, unit: AcidId = 'tartaric'): number =>
  taAs(notNegative('The rise', riseGPerL), unit, acid) * someLiters(volumeL);

export interface Deacidified {
  /** As tartaric, g/L. */
  fallGPerL: number;
  afterGPerL: number;
  co2G: number;
}

/**
 * What a carbonate takes away, by stoichiometry of the neutralization alone: in a mead without tartaric acid no cream of tartar follows.
 * @param taGPerL as tartaric, before @throws Refusal where it would take more acid than there is
 */
export function deacidified(grams: number, volumeL: number, salt: DeacidifierId, taGPerL: number): Deacidified {
  const { gPerEquivalent, co2 } = DEACIDIFIERS[salt];
  const moles = notNegative('The salt', grams) / gPerEquivalent;
  const fallGPerL = (moles / someLiters(volumeL)) * TARTARIC_G_PER_EQUIVALENT;
  if (fallGPerL > taGPerL)
    throw new Refusal(`That takes ${fallGPerL.toFixed(1)} g/L of acid, and there are ${taGPerL.toFixed(1)}; add less.`, 'grams');
  return { fallGPerL, afterGPerL: taGPerL - fallGPerL, co2G: moles * co2 * CO2_G_PER_MOL };
}

/** Grams of a carbonate that lower the titratable acidity by so much, g/L as tartaric; the whole of it, where custom adds half. */
export const deacidifyG = (fallGPerL: number, volumeL: number, salt: DeacidifierId): number =>
  (notNegative('The fall', fallGPerL) * someLiters(volumeL) * DEACIDIFIERS[salt].gPerEquivalent) / TARTARIC_G_PER_EQUIVALENT;
