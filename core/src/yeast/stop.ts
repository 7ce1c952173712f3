import { ferment, mix } from '../liquid/index.ts';
import { findRoot } from '../numerics/index.ts';

/** What yeast works on, by mass. */
export interface Fermentable {
  waterG: number;
  sugarG: number;
  unfermentableG: number;
  ethanolG: number;
}

export interface YieldAssumptions {
  ethanolYield: number;
  glycerolYield: number;
}

/** Sugar that even a dry mead keeps, g/L (our estimate: pentoses and what tired yeast leaves). */
export const DRY_SUGAR_G_PER_L = { value: 3, low: 1, high: 8 } as const;

/** The liquid after the yeast has taken up this much sugar; glycerol stays behind as extract. */
export function afterSugar(start: Fermentable, sugarG: number, yields: YieldAssumptions) {
  const liquid = { waterG: start.waterG, extractG: start.sugarG + start.unfermentableG, ethanolG: start.ethanolG };
  return mix(ferment(liquid, sugarG * (1 - yields.glycerolYield), yields.ethanolYield));
}

export interface Stop {
  sg: number;
  abv: number;
  sugarGPerL: number;
  /** True where the alcohol stops it, false where the sugar runs out. */
  atTolerance: boolean;
}

/**
 * Where a healthy fermentation stops: at the yeast's tolerance, or dry.
 * A must that is already beyond its tolerance stops where it is.
 */
export function stopsAt(start: Fermentable, toleranceAbv: number, drySugarGPerL: number, yields: YieldAssumptions): Stop {
  const stop = (sugarG: number, atTolerance: boolean): Stop => {
    const mead = afterSugar(start, sugarG, yields);
    return { sg: mead.sg, abv: mead.abv, sugarGPerL: (start.sugarG - sugarG) / mead.volumeL, atTolerance };
  };
  const beforeL = afterSugar(start, 0, yields).volumeL;
  const most = Math.max(0, start.sugarG - drySugarGPerL * beforeL);
  const dry = stop(most, false);
  if (dry.abv <= toleranceAbv) return dry;
  const excess = (sugarG: number): number => afterSugar(start, sugarG, yields).abv - toleranceAbv;
  if (excess(0) >= 0) return stop(0, true);
  return stop(findRoot(excess, 0, most, 1e-6 * (1 + most)).x, true);
}
