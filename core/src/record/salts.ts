import type { BaseSalt, NutrientId, OwnNutrient } from './kinds.ts';

/** Nitrogen in nutrients, as fractions of mass, split by how yeast meets it. */
export interface Nutrient {
  name: string;
  ammoniumN: number;
  aminoN: number;
  /** A leveled teaspoon, g: our weighing-out estimate, products differ by a third. */
  gPerTeaspoon: number;
  /** What to know before it goes in. */
  caution: string | null;
}

/** Nitrogen by trade figures, the packet's own come first; of the salts by stoichiometry. Teaspoons are our estimates. */
export const NUTRIENTS: Record<NutrientId, Nutrient> = {
  /** Stoichiometry: 2 × 14.007 / 132.06 of (NH4)2HPO4. */
  dap: { name: 'diammonium phosphate', ammoniumN: 0.2121, aminoN: 0, gPerTeaspoon: 4, caution: null },
  /** A third of urea (46.6 % N) beside two thirds of DAP: our estimate of what is sold; its urea is counted as ammonium. */
  cutDap: {
    name: 'DAP cut with urea',
    ammoniumN: 0.296,
    aminoN: 0,
    gPerTeaspoon: 4,
    caution: 'Urea that is left over leaves off-flavors, and may form a harmful carbamate in time; pure DAP is better.',
  },
  complex: { name: 'complex blend', ammoniumN: 0.05, aminoN: 0.05, gPerTeaspoon: 3.3, caution: null },
  /** Autolysed yeast, about 4 % nitrogen, all of it amino. */
  organic: { name: 'organic nutrient', ammoniumN: 0, aminoN: 0.04, gPerTeaspoon: 2.8, caution: null },
  noAmmonium: { name: 'ammonium-free mix', ammoniumN: 0, aminoN: 0.06, gPerTeaspoon: 2.8, caution: null },
  rehydration: { name: 'rehydration nutrient', ammoniumN: 0, aminoN: 0.03, gPerTeaspoon: 2.5, caution: null },
  hulls: {
    name: 'yeast hulls',
    ammoniumN: 0,
    aminoN: 0,
    gPerTeaspoon: 2,
    caution: 'They feed nothing: they bind what poisons yeast and give it sterols.',
  },
  own: { name: 'own nutrient', ammoniumN: 0, aminoN: 0, gPerTeaspoon: 3, caution: null },
};

/** A given nutrient by its packet's figures, or by its kind's. */
export function nutrientOf({ source, own }: { source: NutrientId; own?: OwnNutrient | undefined }): OwnNutrient {
  return own ?? NUTRIENTS[source];
}

/** Grams that neutralize one mole of acid, and potassium as a fraction of mass: K2CO3 138.205, KHCO3 100.115, K 39.098 g/mol. */
export const BASE_SALTS: Record<BaseSalt, { name: string; gPerEquivalent: number; potassium: number }> = {
  carbonate: { name: 'potassium carbonate', gPerEquivalent: 138.205 / 2, potassium: (2 * 39.098) / 138.205 },
  bicarbonate: { name: 'potassium bicarbonate', gPerEquivalent: 100.115, potassium: 39.098 / 100.115 },
};
/** Tartaric acid, 150.09 g/mol, gives off two protons. */
export const TARTARIC_G_PER_EQUIVALENT = 150.09 / 2;
