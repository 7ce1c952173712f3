import { ETHANOL_20_KG_PER_M3 } from '../liquid/index.ts';
import { afterSugar, fermentSugar } from '../masses/index.ts';
import type { Masses, Yields } from '../masses/index.ts';
import { findRoot, fixedPoint, settled } from '../numerics/index.ts';

/** Sugar that even a dry mead keeps, g/L (our estimate: pentoses and what tired yeast leaves). */
export const DRY_SUGAR_G_PER_L = { value: 3, low: 1, high: 8 } as const;

export interface Stop {
  sg: number;
  abv: number;
  volumeL: number;
  sugarGPerL: number;
  mead: Masses;
  /** True where the alcohol stops it, false where the sugar runs out. */
  atTolerance: boolean;
}

/**
 * Sugar taken up where the alcohol reaches a strength, g, with the volume then. More than there is where the sugar does
 * not suffice: the extract is then read as negative, which only the solver makes sense of.
 *
 * Secant steps: the strength is nearly linear in the sugar.
 */
export function sugarAtAbv(start: Readonly<Masses>, abv: number, yields: Yields): { sugarG: number; volumeL: number } {
  const perSugar = (1 - yields.glycerolYield) * yields.ethanolYield;
  const before = afterSugar(start, 0, yields);
  const guess = (((abv / 100) * ETHANOL_20_KG_PER_M3 * before.volumeL - start.ethanolG) / perSugar) * 0.97;
  const most = (start.sugarG + start.unfermentableG) / (1 - yields.glycerolYield);
  let { volumeL } = before;
  const nearer = (sugarG: number): number => {
    const tried = Math.min(sugarG, most);
    const after = afterSugar(start, tried, yields);
    ({ volumeL } = after);
    return tried + (((abv - after.abv) / 100) * ETHANOL_20_KG_PER_M3 * volumeL) / perSugar;
  };
  return { sugarG: settled(fixedPoint(nearer, guess, 1e-9, 30)), volumeL };
}

/**
 * Where a healthy fermentation stops: at the yeast's tolerance, or dry.
 * A must that is already beyond its tolerance stops where it is.
 */
export function stopsAt(start: Readonly<Masses>, toleranceAbv: number, drySugarGPerL: number, yields: Yields): Stop {
  const stop = (sugarG: number, atTolerance: boolean, after = afterSugar(start, sugarG, yields)): Stop => ({
    sg: after.sg,
    abv: after.abv,
    volumeL: after.volumeL,
    sugarGPerL: (start.sugarG - sugarG) / after.volumeL,
    mead: fermentSugar(start, sugarG, yields),
    atTolerance,
  });
  const before = afterSugar(start, 0, yields);
  const most = Math.max(0, start.sugarG - drySugarGPerL * before.volumeL);
  const dry = afterSugar(start, most, yields);
  if (dry.abv <= toleranceAbv) return stop(most, false, dry);
  if (before.abv >= toleranceAbv) return stop(0, true, before);
  const excess = (sugarG: number): number => afterSugar(start, sugarG, yields).abv - toleranceAbv;
  return stop(settled(findRoot(excess, 0, most, 1e-6 * (1 + most))), true);
}
