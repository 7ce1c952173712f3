import { exactly } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import type { NitrogenDemand } from '../yeast/index.ts';

/** mg of nitrogen per g of sugar, by the yeast's demand (trade figures); a demand that no one states is taken for medium. */
export const N_PER_SUGAR: Record<NitrogenDemand, number> = { low: 0.75, medium: 0.9, high: 1.25, unknown: 0.9 };

/** What honey itself brings to a must, mg N/L: 10 to 30. */
export const HONEY_NITROGEN = { value: 20, low: 10, high: 30 } as const;

/** mg N/L that the yeast needs, less what the must already holds; never negative. */
export function nitrogenNeedMgPerL(sugarGPerL: number, demand: NitrogenDemand, alreadyMgPerL = 0): number {
  return Math.max(0, N_PER_SUGAR[demand] * sugarGPerL - alreadyMgPerL);
}

/** mg N/L that this sugar asks for: one figure where the demand is known, from low to high where it is not. */
export function nitrogenNeedRange(sugarGPerL: number, demand: NitrogenDemand): Ranged {
  const needAt = (of: NitrogenDemand): number => nitrogenNeedMgPerL(sugarGPerL, of);
  return demand === 'unknown' ? { value: needAt(demand), low: needAt('low'), high: needAt('high') } : exactly(needAt(demand));
}

/**
 * Check table for grape must, mg N/L from °Brix: 21 → 200, 23 → 250, 25 → 300, 27 → 350, straight between.
 * Bisson & Butzke, Am. J. Enol. Vitic. 51 (2000) 168–177. Null outside 21 to 27 °Bx, where it says nothing.
 */
export function grapeMustNitrogenMgPerL(brix: number): number | null {
  return brix < 21 || brix > 27 ? null : 200 + 25 * (brix - 21);
}

/** 8 lb in 1000 US gal, 27 CFR 24.246, in g/L; and the EU's 1 g/L (Reg. 2019/934). */
export const DAP_CAP_G_PER_L = { us: (8 * 453.59237) / 3785.411784, eu: 1 } as const;
