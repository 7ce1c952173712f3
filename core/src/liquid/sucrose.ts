import { findRoot, fixedPoint, settled, tabulate } from '../numerics/index.ts';
import { Refusal, massG, requireWithin, say } from '../quantities/index.ts';
import { WATER_20_KG_PER_M3 } from './water.ts';

/**
 * Excess over water of the density of sucrose solutions at 20 °C, kg/m³ by powers of the mass fraction.
 * ICUMSA SPS-4 (1994) after Bubník and others, Sugar Technologists Manual (1995); agrees with the table in
 * NBS Circular 440 (1942) within 1e-4 in SG up to 50 % by mass. Valid 0 to 75 % by mass.
 */
const EXCESS = [385.1761, 135.3705, 40.9299, -3.9643, 13.4853, -17.289] as const;

/** The same source's further terms, by powers of (t − 20 °C)/100 and, in each, of the mass fraction. */
const EXCESS_BY_WARMTH = [
  [-46.272, -7.172, 1.1597, 5.1126, 17.5254],
  [59.7712, 7.2491, 12.363, -35.4791],
  [-47.2207, -21.6977, 27.6301],
  [18.3184, 12.3081],
] as const;

/** kg/m³ by which a sucrose solution's excess over water at `tempC` (0 to 60 °C) differs from that at 20 °C. ICUMSA SPS-4. */
export function sucroseExcessShift(massFraction: number, tempC: number): number {
  const warmth = (tempC - 20) / 100;
  let shift = 0;
  for (let i = EXCESS_BY_WARMTH.length - 1; i >= 0; i--) {
    const row = EXCESS_BY_WARMTH[i] ?? [];
    let term = 0;
    for (let j = row.length - 1; j >= 0; j--) term = (term + (row[j] ?? 0)) * massFraction;
    shift = (shift + term) * warmth;
  }
  return shift;
}

/** Density at 20 °C, kg/m³, of a sucrose solution of this mass fraction. Slightly below 0 it extrapolates, for root finding. */
export function sucroseDensityKgPerM3(massFraction: number): number {
  let excess = 0;
  for (let i = EXCESS.length - 1; i >= 0; i--) excess = (excess + (EXCESS[i] ?? 0)) * massFraction;
  return WATER_20_KG_PER_M3 + excess;
}

/** SG 20/20 from % sucrose by mass, 0 to 75. */
export function sgFromBrix(brix: number): number {
  requireWithin('Brix', brix, -5, 75, '°Bx');
  return sucroseDensityKgPerM3(brix / 100) / WATER_20_KG_PER_M3;
}

/**
 * % sucrose by mass from SG 20/20, by inverting the density.
 * @param sg 0.97 to 1.38; below 1 the answer is negative, an extrapolation that only makes sense as an apparent extract
 */
export function brixFromSg(sg: number): number {
  requireWithin('The specific gravity', sg, 0.97, 1.38);
  return 100 * solveMassFraction(sg);
}

const solveMassFraction = (sg: number): number =>
  settled(findRoot((w) => sucroseDensityKgPerM3(w) - sg * WATER_20_KG_PER_M3, -0.1, 0.8, 1e-10));

/** The same as a mass fraction, read from a table: every reading of a warm sample asks for it. @param sg 0.97 to 1.38 */
export const massFractionFromSg = tabulate(solveMassFraction, 0.97, 1.38, 0.002);

/** Grams of extract in a liter at 20 °C from SG 20/20: mass fraction × density. Negative below 1.000. */
export function extractGPerLFromSg(sg: number): number {
  return (brixFromSg(sg) / 100) * sg * WATER_20_KG_PER_M3;
}

/** Newton on w·ρ(w) = c, which is smooth and rising over the whole range. */
function solveSgFromExtract(extractGPerL: number): number {
  if (extractGPerL === 0) return sucroseDensityKgPerM3(0) / WATER_20_KG_PER_M3;
  const nearer = (w: number): number => {
    const density = sucroseDensityKgPerM3(w);
    return w - (w * density - extractGPerL) / (density + w * (EXCESS[0] + 2 * EXCESS[1] * w));
  };
  const w = settled(fixedPoint(nearer, extractGPerL / (WATER_20_KG_PER_M3 + 0.4 * extractGPerL), 1e-13, 20));
  return sucroseDensityKgPerM3(w) / WATER_20_KG_PER_M3;
}

const LEAST_G_PER_L = -60;
const MOST_G_PER_L = 1500;
const sgByExtract = tabulate(solveSgFromExtract, LEAST_G_PER_L, MOST_G_PER_L, 2);

/**
 * SG 20/20 of a solution holding this much extract in a liter, read from a table within 1e-9 of the solution.
 * Valid −60 to 1500 g/L; beyond 75 % by mass (honey) the polynomial is extrapolated, to 1.42 where honey weighs 1.42.
 *
 * @throws Refusal outside that
 */
export function sgFromExtractGPerL(extractGPerL: number): number {
  if (!(extractGPerL >= LEAST_G_PER_L && extractGPerL <= MOST_G_PER_L)) {
    throw new Refusal(say`${massG(extractGPerL)} of extract in a liter cannot be dissolved; honey itself holds about ${massG(1190)}.`);
  }
  return sgByExtract(extractGPerL);
}
