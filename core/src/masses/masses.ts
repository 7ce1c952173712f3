import { ferment, mix } from '../liquid/index.ts';
import type { Liquid, Mixed } from '../liquid/index.ts';

/** What a must or mead, or anything poured into one, is made of, by mass. The pulp stands beside the liquid. */
export interface Masses {
  waterG: number;
  /** Fermentable sugar. */
  sugarG: number;
  /** Dissolved and raising the gravity, but not for the yeast: higher sugars, acids, minerals, glycerol. */
  unfermentableG: number;
  ethanolG: number;
  /** Pulp, skins and seeds: beside the liquid, not in it. */
  insolubleG: number;
}

export const noMasses = (): Masses => ({ waterG: 0, sugarG: 0, unfermentableG: 0, ethanolG: 0, insolubleG: 0 });

/** What is dissolved, as density sees it. */
export const liquidOf = ({ waterG, sugarG, unfermentableG, ethanolG }: Readonly<Masses>): Liquid => ({
  waterG,
  extractG: sugarG + unfermentableG,
  ethanolG,
});

/** Adds what is poured to what is there. */
export function pour(into: Masses, brought: Readonly<Masses>): void {
  into.waterG += brought.waterG;
  into.sugarG += brought.sugarG;
  into.unfermentableG += brought.unfermentableG;
  into.ethanolG += brought.ethanolG;
  into.insolubleG += brought.insolubleG;
}

/** g of ethanol a gram of extract gives, and the share of sugar that becomes glycerol. */
export interface Yields {
  ethanolYield: number;
  glycerolYield: number;
}

/** The masses after the yeast has taken up this much sugar; glycerol stays behind as extract. Less than none undoes it. */
export function fermentSugar(start: Readonly<Masses>, sugarG: number, { ethanolYield, glycerolYield }: Yields): Masses {
  return {
    waterG: start.waterG,
    sugarG: start.sugarG - sugarG,
    unfermentableG: start.unfermentableG + sugarG * glycerolYield,
    ethanolG: start.ethanolG + sugarG * (1 - glycerolYield) * ethanolYield,
    insolubleG: start.insolubleG,
  };
}

/** The liquid after the yeast has taken up this much sugar. */
export const afterSugar = (start: Readonly<Masses>, sugarG: number, { ethanolYield, glycerolYield }: Yields): Mixed =>
  mix(ferment(liquidOf(start), sugarG * (1 - glycerolYield), ethanolYield));
