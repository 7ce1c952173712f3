import { requireWithin } from '../quantities/index.ts';

export const SULFITE_SALTS = ['potassium', 'sodium'] as const;
export type SulfiteSalt = (typeof SULFITE_SALTS)[number];

/** SO2 as a fraction of mass: 2 × 64.066 / 222.33 for K2S2O5, / 190.11 for Na2S2O5. */
export const SO2_IN: Record<SulfiteSalt, number> = { potassium: 0.5763, sodium: 0.674 };

/** pK1 of sulfurous acid in water at 20 to 25 °C, the wine trade's convention; about 2.0 in 12 % alcohol. */
const SULFITE_PK = 1.81;

/** Molecular SO2 wanted, mg/L: 0.5 for dry, 0.8 for sweet (trade convention). */
export const MOLECULAR_TARGET = { dry: 0.5, sweet: 0.8 } as const;

/** Above this pH the dose becomes absurd (our line, from domain practice); lower the pH first. */
export const HIGHEST_PH_FOR_SULFITE = 3.8;

/** Part of added SO2 that a clean mead binds: our estimate. */
export const BOUND_SHARE = { value: 0.3, low: 0.15, high: 0.5 } as const;

/** Total SO2 allowed, mg/L: US 27 CFR 4.22(b)(1); EU Reg. 2019/934 for white wine with 5 g/L of sugar or more. */
export const TOTAL_SO2_CAP = { us: 350, eu: 250 } as const;

/** mg/L molecular SO2 from free SO2. @param ph 2.5 to 4.5 */
export function molecularSo2MgPerL(freeMgPerL: number, ph: number): number {
  return freeMgPerL / (1 + 10 ** (requireWithin('The pH', ph, 2.5, 4.5) - SULFITE_PK));
}

/** mg/L free SO2 that gives this much molecular SO2. @param ph 2.5 to 4.5 */
export function freeSo2NeededMgPerL(molecularMgPerL: number, ph: number): number {
  return molecularMgPerL * (1 + 10 ** (requireWithin('The pH', ph, 2.5, 4.5) - SULFITE_PK));
}

/** Grams of metabisulfite that add this many mg/L of SO2, all counted, none bound. */
export function metabisulfiteG(addMgPerL: number, volumeL: number, salt: SulfiteSalt): number {
  return (addMgPerL * volumeL) / 1000 / SO2_IN[salt];
}

/** Yeast bears a sulfited must only after so long (trade practice). */
export const MUST_SULFITE_WAIT_H = 24;
