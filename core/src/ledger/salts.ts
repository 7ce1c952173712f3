import type { NutrientId, SulfiteSalt } from './kinds.ts';

/** Nitrogen in nutrients, as fractions of mass, split by how yeast meets it. */
export interface Nutrient {
  id: NutrientId;
  name: string;
  ammoniumN: number;
  aminoN: number;
  /** A leveled teaspoon, g: our weighing-out estimate, products differ by a third. */
  gPerTeaspoon: number;
}

export const NUTRIENTS: Record<NutrientId, Nutrient> = {
  /** Stoichiometry: 2 × 14.007 / 132.06 of (NH4)2HPO4. */
  dap: { id: 'dap', name: 'diammonium phosphate', ammoniumN: 0.2121, aminoN: 0, gPerTeaspoon: 4 },
  /** Autolysed yeast, about 4 % nitrogen, all of it amino (trade figure; the packet's own comes first). */
  organic: { id: 'organic', name: 'organic nutrient', ammoniumN: 0, aminoN: 0.04, gPerTeaspoon: 2.8 },
};

/** SO2 as a fraction of mass: 2 × 64.066 / 222.33 for K2S2O5, / 190.11 for Na2S2O5. */
export const SO2_IN: Record<SulfiteSalt, number> = { potassium: 0.5763, sodium: 0.674 };

/** Sorbic acid in potassium sorbate: 112.13 / 150.22. */
export const SORBIC_IN_SORBATE = 112.13 / 150.22;
