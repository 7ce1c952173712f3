import { Refusal, requireWithin } from '../quantities/index.ts';

export const SULFITE_SALTS = ['potassium', 'sodium'] as const;
export type SulfiteSalt = (typeof SULFITE_SALTS)[number];

/** SO2 as a fraction of mass: 2 × 64.066 / 222.33 for K2S2O5, / 190.11 for Na2S2O5. */
export const SO2_IN: Record<SulfiteSalt, number> = { potassium: 0.5763, sodium: 0.674 };

/** pK1 of sulfurous acid in water at 20 to 25 °C, the wine trade's convention; about 2.0 in 12 % alcohol. */
export const SULFITE_PK = 1.81;

/** pK1 of sulfurous acid by alcohol (% vol) and temperature (°C): Usseglio-Tomasset (1984), as the Handbook of Enology, vol. 1, has it. */
const PK_TEMPS_C = [19, 22, 25, 28, 31, 34, 37, 40] as const;
const PK_ABVS = [0, 5, 10, 15, 20] as const;
const PK_TABLE = [
  [1.78, 1.85, 2.0, 2.14, 2.25, 2.31, 2.37, 2.48],
  [1.88, 1.96, 2.11, 2.24, 2.34, 2.4, 2.47, 2.58],
  [1.98, 2.06, 2.21, 2.34, 2.45, 2.5, 2.57, 2.66],
  [2.08, 2.16, 2.31, 2.45, 2.54, 2.61, 2.67, 2.76],
  [2.18, 2.26, 2.41, 2.55, 2.64, 2.72, 2.78, 2.86],
] as const;

/** Where a value lies among a table's marks: the mark before it and how far on; beyond the ends the end's own slope. */
function placeAmong(marks: readonly number[], value: number): { k: number; part: number } {
  const k = Math.min(
    marks.length - 2,
    Math.max(
      0,
      marks.findLastIndex((mark) => mark <= value),
    ),
  );
  const [from = 0, to = 1] = [marks[k], marks[k + 1]];
  return { k, part: (value - from) / (to - from) };
}

/**
 * pK1 of sulfurous acid in a mead: straight between the table's points, and on below 19 °C. ±0.07; less sure in the cold.
 * @param abv 0 to 20 % vol @param tempC 5 to 40 °C
 */
export function sulfitePk(abv: number, tempC: number): number {
  const row = placeAmong(PK_ABVS, requireWithin('The alcohol', abv, 0, 20, '% vol'));
  const column = placeAmong(PK_TEMPS_C, requireWithin('The temperature', tempC, 5, 40, '°C'));
  const at = (k: number): number => {
    const [from = 0, to = 0] = [PK_TABLE[k]?.[column.k], PK_TABLE[k]?.[column.k + 1]];
    return from + (to - from) * column.part;
  };
  return at(row.k) + (at(row.k + 1) - at(row.k)) * row.part;
}

/** Molecular SO2 wanted, mg/L: 0.5 for dry, 0.8 for sweet (trade convention). */
export const MOLECULAR_TARGET = { dry: 0.5, sweet: 0.8 } as const;

/** Above this pH the dose becomes absurd (our line, from domain practice); lower the pH first. */
export const HIGHEST_PH_FOR_SULFITE = 3.8;

/** Part of added SO2 that a clean mead binds: our estimate. */
export const BOUND_SHARE = { value: 0.3, low: 0.15, high: 0.5 } as const;

/** Total SO2 allowed, mg/L: US 27 CFR 4.22(b)(1); EU Reg. 2019/934 for white wine with 5 g/L of sugar or more. */
export const TOTAL_SO2_CAP = { us: 350, eu: 250 } as const;

const PH_OF_MEAD = { low: 2.5, high: 4.5 } as const;
/** The nearest pH that sulfite's table reaches. */
export const withinPhOfMead = (ph: number): number => Math.min(PH_OF_MEAD.high, Math.max(PH_OF_MEAD.low, ph));

/** Free SO2 for each mg of molecular SO2. @param ph 2.5 to 4.5 */
const freePerMolecular = (ph: number, pk: number): number => 1 + 10 ** (requireWithin('The pH', ph, PH_OF_MEAD.low, PH_OF_MEAD.high) - pk);

/** mg/L molecular SO2 from free SO2. @param ph 2.5 to 4.5 @param pk by the trade's convention, which is the safe side; see `sulfitePk` */
export function molecularSo2MgPerL(freeMgPerL: number, ph: number, pk = SULFITE_PK): number {
  return requireWithin('Free SO₂', freeMgPerL, 0, 1000, 'mg/L') / freePerMolecular(ph, pk);
}

/** mg/L free SO2 that gives this much molecular SO2. @param ph 2.5 to 4.5 @param pk as above */
export function freeSo2NeededMgPerL(molecularMgPerL: number, ph: number, pk = SULFITE_PK): number {
  return molecularMgPerL * freePerMolecular(ph, pk);
}

/** mg/L of SO2 to add so that this much is free. @param boundShare of what is added, 0 to less than 1 */
export const so2ToAddMgPerL = (freeWantedMgPerL: number, freeThereMgPerL: number, boundShare: number): number =>
  Math.max(0, freeWantedMgPerL - freeThereMgPerL) / (1 - requireWithin('The bound share', boundShare, 0, 0.95));

/** Grams of metabisulfite that add this many mg/L of SO2, all counted, none bound. */
export function metabisulfiteG(addMgPerL: number, volumeL: number, salt: SulfiteSalt): number {
  return (addMgPerL * volumeL) / 1000 / SO2_IN[salt];
}

/** A tablet of metabisulfite, g: those sold weigh so much; weigh one. */
export const USUAL_TABLET_G = 0.44;

/** Tablets for this many mg/L of SO2: exactly, rounded up, and what the whole ones bring, mg/L. @throws Refusal for a tablet of nothing */
export function sulfiteTablets(
  addMgPerL: number,
  volumeL: number,
  tabletG: number,
  salt: SulfiteSalt,
): { exact: number; whole: number; bringMgPerL: number } {
  if (!(tabletG > 0)) throw new Refusal('A tablet must weigh something: 0.44 to 0.55 g is usual.', 'tabletG');
  const exact = metabisulfiteG(addMgPerL, volumeL, salt) / tabletG;
  const whole = Math.ceil(exact - 1e-9);
  return { exact, whole, bringMgPerL: (1000 * whole * tabletG * SO2_IN[salt]) / volumeL };
}

/** A stock stronger than this does not dissolve, g of salt in 100 ml (potassium metabisulfite in water at 20 °C, rounded up). */
const STRONGEST_STOCK = 50;

/** Milliliters of a stock solution for so many grams of the salt. @param stockPct grams of salt in 100 ml of solution, above 0 */
export function stockMl(saltG: number, stockPct: number): number {
  if (!(stockPct > 0)) throw new Refusal('A stock of 0 % holds nothing: say how many grams are in 100 ml.', 'stockPct');
  return (100 * saltG) / requireWithin('The stock', stockPct, 0, STRONGEST_STOCK, '%');
}

/** Stock and water for a weaker solution. @throws Refusal where the stock is weaker than what is wanted */
export function dilutedStock(stockPct: number, wantedPct: number, wantedMl: number): { stockMl: number; waterMl: number } {
  if (!(stockPct > 0)) throw new Refusal('A stock of 0 % holds nothing: say how many grams are in 100 ml.', 'stockPct');
  if (!(wantedPct >= 0 && wantedPct <= stockPct)) throw new Refusal('Water only weakens a stock: want less than it holds.', 'wantedPct');
  const stock = (wantedMl * wantedPct) / stockPct;
  return { stockMl: stock, waterMl: wantedMl - stock };
}

/**
 * Days in which half of the free SO2 is gone, in full, closed glass; with air above it or in wood, sooner. A guess of ours with a wide
 * range, since there is no constant of nature: only a test tells.
 */
export const SO2_HALF_LIFE_DAYS = { value: 120, low: 60, high: 180 } as const;

/** Free SO2 after so many days, and after so much was poured in, mg/L. @param halfLifeDays above 0 */
export function fadedSo2MgPerL(freeMgPerL: number, days: number, halfLifeDays: number, volumeL = 1, addedL = 0): number {
  if (!(halfLifeDays > 0)) throw new Refusal('The half-life must be longer than nothing.', 'halfLifeDays');
  requireWithin('The days', days, 0, 36_500);
  return (freeMgPerL * 2 ** (-days / halfLifeDays) * volumeL) / (volumeL + addedL);
}

/** Days until free SO2 has faded so far; 0 where it has. @param thresholdMgPerL above 0 */
export function daysUntilFaded(freeMgPerL: number, thresholdMgPerL: number, halfLifeDays: number): number {
  if (!(thresholdMgPerL > 0)) throw new Refusal('It never fades to nothing: want a level above 0.', 'thresholdMgPerL');
  return Math.max(0, halfLifeDays * Math.log2(freeMgPerL / thresholdMgPerL));
}

/** Yeast bears a sulfited must only after so long (trade practice). */
export const MUST_SULFITE_WAIT_H = 24;
