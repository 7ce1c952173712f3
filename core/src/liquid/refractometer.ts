import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, requireWithin } from '../quantities/index.ts';
import { ferment } from './fermentation.ts';
import { mix } from './mixture.ts';
import type { Liquid, Mixed } from './mixture.ts';
import { extractGPerLFromSg, sgFromBrix, sucroseDensityKgPerM3 } from './sucrose.ts';
import { WATER_20_KG_PER_M3 } from './water.ts';

/**
 * Refractive indices at 20 °C and 589 nm: water and 20 % sucrose by mass (ICUMSA's table), 10 % ethanol by mass (CRC Handbook,
 * concentrative properties of aqueous solutions). In water ethanol bends light less than its own index would have it.
 */
const INDEX = { water: 1.33299, sucrose20: 1.36384, ethanol10: 1.3395 } as const;

const lorentzLorenz = (index: number): number => (index * index - 1) / (index * index + 2);

/** Specific refractions, L/kg: for each substance (n²−1)/(n²+2) ÷ density; in a mixture they add by mass (Lorentz and Lorenz, 1880). */
const WATER_REFRACTS = lorentzLorenz(INDEX.water) / (WATER_20_KG_PER_M3 / 1000);
const ETHANOL10_KG_PER_L = 0.1 / mix({ waterG: 90, extractG: 0, ethanolG: 10 }).volumeL;
const ETHANOL_REFRACTS = (lorentzLorenz(INDEX.ethanol10) / ETHANOL10_KG_PER_L - 0.9 * WATER_REFRACTS) / 0.1;
const SUGAR_REFRACTS = (lorentzLorenz(INDEX.sucrose20) / (sucroseDensityKgPerM3(0.2) / 1000) - 0.8 * WATER_REFRACTS) / 0.2;

const ofSucrose = (massFraction: number): number =>
  (sucroseDensityKgPerM3(massFraction) / 1000) * (massFraction * SUGAR_REFRACTS + (1 - massFraction) * WATER_REFRACTS);

/** °Brix that a refractometer shows, alcohol and all: the strength of the sucrose solution that bends light as this liquid does. */
export function refractometerBrix(liquid: Liquid): number {
  const { waterG, extractG, ethanolG } = liquid;
  const massG = waterG + extractG + ethanolG;
  const densityKgPerL = massG / 1000 / mix(liquid).volumeL;
  const refraction = (densityKgPerL * (waterG * WATER_REFRACTS + extractG * SUGAR_REFRACTS + ethanolG * ETHANOL_REFRACTS)) / massG;
  return 100 * settled(findRoot((w) => ofSucrose(w) - refraction, -0.1, 0.8, 1e-9));
}

/** A refractometer is read to so much, °Bx; nearer than this to what is possible is possible. */
const READ_TO_BRIX = 0.2;

/**
 * Gravity and strength of a fermenting liquid from what a refractometer shows, with the alcohol that its record says it holds: extract is
 * fermented, or unfermented, until the liquid would show this reading.
 *
 * @param liquid as the record has it
 * @param brix 0 to 75 as read
 * @param ethanolYield g of ethanol per g of extract
 * @throws Refusal for a reading that this liquid cannot show
 */
export function mixedFromRefractometer(liquid: Liquid, brix: number, ethanolYield: number): Mixed {
  requireWithin('The refractometer', brix, 0, 75, '°Bx');
  const misfit = (fermentedG: number): number => refractometerBrix(ferment(liquid, fermentedG, ethanolYield)) - brix;
  const [least, most] = [-liquid.ethanolG / ethanolYield, liquid.extractG];
  if (misfit(least) < -READ_TO_BRIX)
    throw new Refusal(`${brix.toFixed(1)} °Bx is more than this must ever held; more honey than is written down, or a slip.`, 'brix');
  if (misfit(most) > READ_TO_BRIX)
    throw new Refusal(
      `${brix.toFixed(1)} °Bx is less than this must can show; with every gram fermented it would still bend light more.`,
      'brix',
    );
  const fermentedG = misfit(least) <= 0 ? least : misfit(most) >= 0 ? most : settled(findRoot(misfit, least, most, 1e-6 * (1 + most)));
  return mix(ferment(liquid, fermentedG, ethanolYield));
}

/**
 * Gravity and alcohol from two refractometer readings of a must that nothing was added to.
 * ± 0.006 in SG and 0.9 % vol: published corrections differ among themselves by as much.
 *
 * @param originalBrix 1 to 45 before the pitch
 * @param currentBrix 0 to originalBrix, now
 */
export function refractometerFg(originalBrix: number, currentBrix: number, ethanolYield: number): { fg: number; abv: number } {
  requireWithin('The first reading', originalBrix, 1, 45, '°Bx');
  const og = sgFromBrix(originalBrix);
  const extractG = extractGPerLFromSg(og);
  const must: Liquid = { extractG, ethanolG: 0, waterG: og * WATER_20_KG_PER_M3 - extractG };
  if (currentBrix > originalBrix)
    throw new Refusal(
      `${currentBrix.toFixed(1)} °Bx is more than at the beginning, ${originalBrix.toFixed(1)}; one of them is a slip.`,
      'brix',
    );
  const { sg, abv } = mixedFromRefractometer(must, currentBrix, ethanolYield);
  return { fg: sg, abv };
}
