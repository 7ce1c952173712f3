import { requireWithin } from '../quantities/index.ts';

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

/** mg/L of sorbic acid that keep a clear, sulfited mead from new life. @param abv 0 to 25 % vol */
export function sorbicNeededMgPerL(abv: number): number {
  requireWithin('The alcohol', abv, 0, 25, '% vol');
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

/** Sorbate is dissolved in so much water first, g in 100 ml: far below what water takes, far above what mead does (trade practice). */
const SORBATE_IN_WATER_G_PER_100_ML = 20;

/** Sorbate for a mead: the acid by its alcohol, held to the cap, the salt, and the water to dissolve it in. @param abv 0 to 25 % vol */
export function sorbateDose(
  abv: number,
  volumeL: number,
  cap: keyof typeof SORBIC_CAP,
): { sorbicMgPerL: number; saltG: number; waterMl: number } {
  const sorbic = Math.min(sorbicNeededMgPerL(abv), SORBIC_CAP[cap]);
  const saltG = potassiumSorbateG(sorbic, volumeL);
  return { sorbicMgPerL: sorbic, saltG, waterMl: (100 * saltG) / SORBATE_IN_WATER_G_PER_100_ML };
}

/** Sorbic acid that water holds at 20 °C without its salt, mg/L, and its pKa (physical tables). */
const SORBIC_ACID = { dissolvesMgPerL: 1600, pKa: 4.76 } as const;

/** Most sorbic acid that stays dissolved at a pH, mg/L: a stock poured into acid mead passes it where it falls in. @param ph 2.5 to 8 */
export const sorbicSolubilityMgPerL = (ph: number): number =>
  SORBIC_ACID.dissolvesMgPerL * (1 + 10 ** (requireWithin('The pH', ph, 2.5, 8) - SORBIC_ACID.pKa));
