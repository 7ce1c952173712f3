/** Sorbic acid in potassium sorbate: 112.13 / 150.22. */
export const SORBIC_IN_SORBATE = 112.13 / 150.22;

/** Sorbic acid needed by alcohol, mg/L (Peynaud, Knowing and Making Wine, 1984): 200 below 10 % vol, straight between the points, 50 from 14. */
const NEED_BY_ABV = [
  [10, 150],
  [11, 125],
  [12, 100],
  [13, 75],
  [14, 50],
] as const;

/** Highest sorbic acid allowed, mg/L: EU Reg. 2019/934 and OIV; US 27 CFR 24.246. */
export const SORBIC_CAP = { eu: 200, us: 300 } as const;

export function sorbicNeededMgPerL(abv: number): number {
  if (abv < 10) return 200;
  const last = NEED_BY_ABV[NEED_BY_ABV.length - 1];
  const above = NEED_BY_ABV.findIndex(([at]) => at > abv);
  if (above <= 0) return last?.[1] ?? 50;
  const [a1, n1] = NEED_BY_ABV[above] ?? [14, 50];
  const [a0, n0] = NEED_BY_ABV[above - 1] ?? [10, 150];
  return n0 + ((n1 - n0) * (abv - a0)) / (a1 - a0);
}

/** Grams of potassium sorbate for this much sorbic acid; the two are not the same. */
export const potassiumSorbateG = (sorbicMgPerL: number, volumeL: number): number => (sorbicMgPerL * volumeL) / 1000 / SORBIC_IN_SORBATE;

/** mg/L of sorbic acid from grams of potassium sorbate. */
export const sorbicMgPerL = (sorbateG: number, volumeL: number): number => (sorbateG * SORBIC_IN_SORBATE * 1000) / volumeL;
