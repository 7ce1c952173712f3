import { fixedPoint, settled } from '../numerics/index.ts';
import { Refusal, abvPct, gravity, say } from '../quantities/index.ts';
import { ETHANOL_20_KG_PER_M3, abvFromEthanolGPerL, ethanolWaterDensityFromGPerL } from './ethanol.ts';
import { extractGPerLFromSg, sgFromExtractGPerL } from './sucrose.ts';
import { WATER_20_KG_PER_M3 } from './water.ts';

/** What a clear must or mead is made of, by mass. */
export interface Liquid {
  waterG: number;
  /** Everything dissolved that raises the density like sugar: fermentable or not. */
  extractG: number;
  ethanolG: number;
}

export interface Mixed {
  volumeL: number;
  /** Specific gravity 20/20. */
  sg: number;
  abv: number;
  extractGPerL: number;
}

/**
 * SG 20/20 of a mixture from what a liter of it holds: Tabarié's relation, SG of the extract alone + SG of the ethanol
 * alone − 1, the basis of the official extract method (OIV-MA-AS2-03B).
 * Stated error: ±0.0005 in SG up to 20 % vol and 150 g/L of extract.
 */
export function sgFromConcentrations(extractGPerL: number, ethanolGPerL: number): number {
  return sgFromExtractGPerL(extractGPerL) + ethanolWaterDensityFromGPerL(ethanolGPerL) / WATER_20_KG_PER_M3 - 1;
}

/** Crystals of sucrose (CRC Handbook). */
const SUCROSE_KG_PER_M3 = 1587;
/** Above this share of extract the solution's density is no longer known; honey holds 0.85 at most. */
const MOST_DISSOLVED = 0.9;

/**
 * Volume, gravity and strength at 20 °C of what is poured together: masses add, volumes do not (they contract).
 * The volume is the fixed point of mass ÷ density(mass ÷ volume). Where there is less water than a syrup needs the
 * solid stands beside it: its volume then is by its own density, as in a jar of sugar.
 *
 * @throws Refusal for negative masses or an empty mixture
 */
export function mix(liquid: Liquid): Mixed {
  const { waterG, extractG, ethanolG } = liquid;
  const massG = waterG + extractG + ethanolG;
  if (Math.min(waterG, extractG, ethanolG) < 0) throw new Refusal('A negative amount cannot be poured.');
  if (!(massG > 0)) throw new Refusal('There is nothing in the vessel to compute with.');
  const apartL = waterG / WATER_20_KG_PER_M3 + extractG / SUCROSE_KG_PER_M3 + ethanolG / ETHANOL_20_KG_PER_M3;
  if (extractG > MOST_DISSOLVED * massG) return mixedIn(apartL, liquid);
  const root = fixedPoint(
    (volumeL) => massG / (WATER_20_KG_PER_M3 * sgFromConcentrations(extractG / volumeL, ethanolG / volumeL)),
    apartL,
    1e-12,
    50,
  );
  return mixedIn(settled(root), liquid);
}

function mixedIn(volumeL: number, { waterG, extractG, ethanolG }: Liquid): Mixed {
  const massG = waterG + extractG + ethanolG;
  return {
    volumeL,
    sg: massG / (volumeL * WATER_20_KG_PER_M3),
    abv: abvFromEthanolGPerL(ethanolG / volumeL),
    extractGPerL: extractG / volumeL,
  };
}

/** Extract left in a liter from a measured gravity and strength (Tabarié turned round). Negative means the two contradict each other. */
export function residualExtractGPerL(sg: number, abv: number): number {
  const ethanolSg = ethanolWaterDensityFromGPerL((abv / 100) * ETHANOL_20_KG_PER_M3) / WATER_20_KG_PER_M3;
  return extractGPerLFromSg(Math.min(1.38, Math.max(0.97, sg - ethanolSg + 1)));
}

/** The masses in a volume of liquid whose gravity and strength were measured. */
export function liquidFromMeasured(volumeL: number, sg: number, abv: number): Liquid {
  const extractGPerL = residualExtractGPerL(sg, abv);
  if (extractGPerL < 0) {
    throw new Refusal(say`A gravity of ${gravity(sg)} with ${abvPct(abv)} is lighter than alcohol and water alone; one of them is wrong.`);
  }
  const extractG = extractGPerL * volumeL;
  const ethanolG = (abv / 100) * ETHANOL_20_KG_PER_M3 * volumeL;
  return { extractG, ethanolG, waterG: sg * WATER_20_KG_PER_M3 * volumeL - extractG - ethanolG };
}

/** Two liquids poured together, by mass. */
export function pourTogether(a: Liquid, b: Liquid): Liquid {
  return { waterG: a.waterG + b.waterG, extractG: a.extractG + b.extractG, ethanolG: a.ethanolG + b.ethanolG };
}
