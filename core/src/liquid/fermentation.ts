import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, requireWithin } from '../quantities/index.ts';
import { mix, sgFromConcentrations } from './mixture.ts';
import type { Liquid } from './mixture.ts';
import { extractGPerLFromSg } from './sucrose.ts';
import { WATER_20_KG_PER_M3 } from './water.ts';

/**
 * Balling's yield: 2.0665 g of extract give 1 g ethanol, 0.9565 g CO2 and 0.11 g yeast (Balling 1865, as restated in
 * De Clerck, A Textbook of Brewing, 1957). That is 94.6 % of what the sugar alone could give; real musts reach 0.47 to 0.49 g/g.
 */
export const BALLING = { extractG: 2.0665, ethanolG: 1, co2G: 0.9565, yeastG: 0.11 } as const;
export const ETHANOL_PER_EXTRACT = BALLING.ethanolG / BALLING.extractG;
export const YEAST_PER_EXTRACT = BALLING.yeastG / BALLING.extractG;

/** Grams of CO2 per gram of extract at this ethanol yield: what ethanol and new yeast leave of it. */
export const co2PerExtract = (ethanolYield = ETHANOL_PER_EXTRACT): number => 1 - ethanolYield - YEAST_PER_EXTRACT;

/**
 * What is dissolved after this much extract has fermented away. Water stays; CO2 leaves; new yeast settles.
 * @param ethanolYield g of ethanol per g of extract, 0.47 to 0.49; Balling's where not given
 */
export function ferment(liquid: Liquid, fermentedG: number, ethanolYield = ETHANOL_PER_EXTRACT): Liquid {
  return {
    waterG: liquid.waterG,
    extractG: orNone(liquid.extractG - fermentedG, liquid.extractG),
    ethanolG: orNone(liquid.ethanolG + fermentedG * ethanolYield, liquid.ethanolG),
  };
}

/** Taking away all there was may round to a hair less than none. */
const orNone = (leftG: number, ofG: number): number => (leftG < 0 && leftG > -1e-9 * (1 + ofG) ? 0 : leftG);

/** SG 20/20 after this much extract has fermented; the volume follows from mass and density. */
function sgAfter(liquid: Liquid, fermentedG: number): number {
  return mix(ferment(liquid, fermentedG)).sg;
}

/**
 * Grams of extract that must have fermented for the liquid to read this gravity. Negative when the reading lies above
 * the liquid's present gravity, down to undoing all of its alcohol.
 *
 * Solved on SG = mass ÷ (volume × water) with the volume taken from the reading itself, so no inner iteration is needed.
 * @throws Refusal when not even all extract fermented would read so low
 */
export function fermentedFromSg(liquid: Liquid, sg: number, ethanolYield = ETHANOL_PER_EXTRACT): number {
  const misfit = (fermentedG: number): number => {
    const after = ferment(liquid, fermentedG, ethanolYield);
    const volumeL = (after.waterG + after.extractG + after.ethanolG) / (sg * WATER_20_KG_PER_M3);
    return sgFromConcentrations(after.extractG / volumeL, after.ethanolG / volumeL) - sg;
  };
  const least = -liquid.ethanolG / ethanolYield;
  const most = liquid.extractG;
  const misfitNow = misfit(0);
  if (Math.abs(misfitNow) < AS_IT_STANDS_SG) return 0;
  const guess = (misfitNow * liquid.waterG) / 1000 / SG_FALL_PER_G_PER_L;
  const near = secant(misfit, { x: 0, y: misfitNow }, guess, [least, most], 1e-7 * (1 + most));
  if (near !== null) return near;
  if (!(misfit(most) <= 0)) {
    throw new Refusal(
      `${sg.toFixed(3)} is lower than this must can go: with every gram fermented it would read ${sgAfter(liquid, most).toFixed(3)}.`,
      'sg',
    );
  }
  const above = misfit(least);
  if (!(above >= -TABLES_AGREE_SG)) {
    throw new Refusal(`${sg.toFixed(3)} is higher than this must ever was; more honey than is written down, or a slip.`, 'sg');
  }
  return above <= 0 ? least : settled(findRoot(misfit, least, most, 1e-7 * (1 + most)));
}

/** A reading this near to the liquid as it stands moves nothing: far below what any instrument shows. */
const AS_IT_STANDS_SG = 1e-10;
/** The gravity of a solution and its inverse differ by less than this where they are rounded (measured over the whole range). */
const TABLES_AGREE_SG = 1e-5;

/** How far SG falls for a gram of extract fermented away per liter of water: a first guess only. */
const SG_FALL_PER_G_PER_L = 0.00045;

/** A root of a nearly straight function from two points near it; null where it leaves the bounds or does not settle at once. */
function secant(
  f: (x: number) => number,
  from: { x: number; y: number },
  guess: number,
  [low, high]: readonly [number, number],
  tolerance: number,
): number | null {
  let before = from;
  let x = guess;
  for (let i = 0; i < 8 && x >= low && x <= high; i++) {
    const y = f(x);
    if (Math.abs(y) < 1e-13) return x;
    const next = x - (y * (x - before.x)) / (y - before.y);
    if (Math.abs(next - x) <= tolerance && next >= low && next <= high) return next;
    before = { x, y };
    x = next;
  }
  return null;
}

/** One liter of must of this gravity, nothing fermented. */
function literOfMust(og: number): Liquid {
  const extractG = Math.max(0, extractGPerLFromSg(og));
  return { extractG, ethanolG: 0, waterG: og * WATER_20_KG_PER_M3 - extractG };
}

/** What the balance from two gravities is good for, ± % vol: yields of 0.47 to 0.49 g/g are met in practice (our estimate of their effect). */
export const BALANCE_ABV_PLUS_MINUS = 0.3;

export interface AlcoholByBalance {
  abv: number;
  /** % by mass. */
  abw: number;
  /** Extract left per liter of the finished mead; 15 to 25 g/L of it is no sugar. */
  residualGPerL: number;
  fermentedGPerLMust: number;
  /** Volume after ÷ volume before. */
  volumeRatio: number;
}

/**
 * Alcohol from two gravities of a must that nothing was added to, by mass balance.
 * ±0.3 % vol, mostly from the yield (0.47 to 0.49 g/g).
 *
 * @param og 1.000 to 1.200
 * @param fg 0.970 to og
 * @throws Refusal when fg lies above og
 */
export function alcoholByBalance(og: number, fg: number): AlcoholByBalance {
  requireWithin('The original gravity', og, 1, 1.2);
  requireWithin('The gravity now', fg, 0.97, 1.2);
  if (fg > og)
    throw new Refusal(`The gravity now, ${fg.toFixed(3)}, lies above the original ${og.toFixed(3)}; nothing can have fermented.`, 'fg');
  const must = literOfMust(og);
  const fermentedG = fermentedFromSg(must, fg);
  const after = ferment(must, fermentedG);
  const mead = mix(after);
  const massG = after.waterG + after.extractG + after.ethanolG;
  return {
    abv: mead.abv,
    abw: (100 * after.ethanolG) / massG,
    residualGPerL: mead.extractGPerL,
    fermentedGPerLMust: fermentedG,
    volumeRatio: mead.volumeL,
  };
}

/** % vol if the fermentable part of the extract ferments away. @param fermentableFraction 0 to 1 */
export function potentialAbv(og: number, fermentableFraction = 1): number {
  const must = literOfMust(og);
  return mix(ferment(must, must.extractG * fermentableFraction)).abv;
}

/** SG when this fraction of all extract is gone. */
export function sgAtFractionFermented(og: number, fraction: number): number {
  const must = literOfMust(og);
  return mix(ferment(must, must.extractG * fraction)).sg;
}

/** SG when this fraction of the extract that ferments between og and the expected fg is gone. */
export function sgAtFractionToFg(og: number, fg: number, fraction: number): number {
  const must = literOfMust(og);
  return mix(ferment(must, fermentedFromSg(must, fg) * fraction)).sg;
}

/**
 * The usual one-line formulas, shown beside the balance and never instead of it; none can follow an addition.
 * `simple`: points × factor, a rule for beer strength. `quotient`: 76.08(OG−FG)/(1.775−OG)·FG/0.794 (Hall, Zymurgy 18, 1995).
 */
export const alcoholByRule = {
  simple: (og: number, fg: number, factor: 131.25 | 135): number => (og - fg) * factor,
  quotient: (og: number, fg: number): number => ((76.08 * (og - fg)) / (1.775 - og)) * (fg / 0.794),
};
