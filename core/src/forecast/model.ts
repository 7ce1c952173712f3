/**
 * How a must ferments: biomass grows on nitrogen, what lives of it eats sugar, alcohol slows it and kills it, warmth drives
 * all of it. The structure is that of Cramer, Vlassides & Block, Biotechnol. Bioeng. 77 (2002) 49: nitrogen-limited growth,
 * sugar uptake by active cells, death by ethanol. Its parameters were fitted to grape must; those here are our own estimates
 * for honey must, with wide spreads that readings narrow. Uptake that ceases at the yeast's tolerance is ours as well.
 */
export interface Kinetics {
  /** Growth at 20 °C with nitrogen in plenty, 1/h. */
  growthPerH: number;
  /** g of sugar that a gram of living yeast eats in an hour at 20 °C. */
  uptakePerH: number;
  /** g of yeast that a mg of nitrogen makes. */
  yeastPerN: number;
  /** Death at 20 °C where the alcohol stands at the tolerance, 1/h. */
  deathPerH: number;
  /** Hours before it begins. */
  lagH: number;
  toleranceAbv: number;
  /** How early alcohol slows it: the power of the distance that is left to the tolerance. */
  slowing: number;
  /** g/L of sugar at which uptake is half as fast. */
  halfSugar: number;
}

/** What happens to the liquid besides fermenting. */
export interface Pulse {
  hour: number;
  /** Dilution: concentrations are multiplied by this, biomass among them. */
  scale: number;
  sugarGPerL: number;
  nitrogenMgPerL: number;
}

export interface Course {
  sugarGPerL: number;
  nitrogenMgPerL: number;
  /** g/L of dry yeast pitched. */
  pitchGPerL: number;
  /** Measured or expected, in order; straight between, even before the first and after the last. */
  temps: readonly { hour: number; tempC: number }[];
  pulses: readonly Pulse[];
  /** pH below the yeast's floor slows uptake; 1 where it is not. */
  acidSlowing: number;
  horizonH: number;
}

/** Half-saturation of growth, mg N/L (our estimate of a common value). */
const HALF_N = 20;
/** How much faster for 10 °C more: growth and uptake twofold, death threefold; nothing works above 34 °C (our estimates). */
const Q10 = { work: 2, death: 3 } as const;
const TOO_HOT_C = 34;
const FROZEN_C = 3;
/** % vol for each g/L of sugar: 0.484 g/g of ethanol at 789 g/L. */
export const ABV_PER_SUGAR = 0.484 / 7.893;
/** The steps: short while growth is quick, long afterwards. */
const FINE_H = 0.5;
const COARSE_H = 2;
const FINE_UNTIL_H = 14 * 24;

export interface Grid {
  /** Hour at each step's start. */
  hours: Float64Array;
  stepH: Float64Array;
  work: Float64Array;
  death: Float64Array;
  /** The pulse that comes before this step, or −1. */
  pulse: Int16Array;
}

/** How fast yeast works at this temperature, 1 at 20 °C. */
export const warmth = (tempC: number): number => {
  if (tempC <= FROZEN_C) return 0;
  const heat = tempC < TOO_HOT_C - 6 ? 1 : Math.max(0, (TOO_HOT_C - tempC) / 6);
  return Q10.work ** ((tempC - 20) / 10) * heat;
};

/** °C at an hour after the pitch. */
export function tempAt(temps: Course['temps'], hour: number): number {
  const after = temps.findIndex((point) => point.hour > hour);
  const [left, right] = after === -1 ? [temps.at(-1), undefined] : [temps[after - 1], temps[after]];
  if (left === undefined) return right?.tempC ?? 20;
  if (right === undefined) return left.tempC;
  return left.tempC + ((right.tempC - left.tempC) * (hour - left.hour)) / (right.hour - left.hour);
}

/**
 * Everything that is the same for all members of an ensemble, computed once.
 * @param fromH from this hour on it is as much warmer as `warmerC` says
 */
export function gridOf({ temps, pulses, horizonH }: Course, fromH = Number.POSITIVE_INFINITY, warmerC = 0): Grid {
  const hours: number[] = [];
  for (let hour = 0; hour < horizonH; hour += hour < FINE_UNTIL_H ? FINE_H : COARSE_H) hours.push(hour);
  const steps = hours.length;
  const grid: Grid = {
    hours: Float64Array.from(hours),
    stepH: new Float64Array(steps),
    work: new Float64Array(steps),
    death: new Float64Array(steps),
    pulse: new Int16Array(steps).fill(-1),
  };
  for (let k = 0; k < steps; k++) {
    const hour = hours[k] ?? 0;
    const step = (hours[k + 1] ?? horizonH) - hour;
    const temp = tempAt(temps, hour + step / 2) + (hour >= fromH ? warmerC : 0);
    grid.stepH[k] = step;
    grid.work[k] = warmth(temp);
    grid.death[k] = Q10.death ** ((temp - 20) / 10);
  }
  pulses.forEach(({ hour }, i) => {
    let k = hours.findIndex((start) => start >= hour);
    while (k >= 0 && k < steps && grid.pulse[k] !== -1) k++;
    if (k >= 0 && k < steps) grid.pulse[k] = i;
  });
  return grid;
}

/**
 * One course of one must, by Runge and Kutta's fourth-order rule. Writes the sugar left at each step's start, g/L.
 * Allocates nothing.
 */
export function ferment(kinetics: Kinetics, course: Course, grid: Grid, sugarOut: Float64Array): void {
  const { growthPerH, uptakePerH, yeastPerN, deathPerH, lagH, toleranceAbv, halfSugar } = kinetics;
  const { hours, stepH, work, death, pulse } = grid;
  let living = Math.max(0.05, course.pitchGPerL * PITCH_LIVES);
  let nitrogen = course.nitrogenMgPerL;
  let sugar = course.sugarGPerL;
  let abv = 0;
  const steps = hours.length;
  for (let k = 0; k < steps; k++) {
    const p = pulse[k] ?? -1;
    const added = p >= 0 ? course.pulses[p] : undefined;
    if (added !== undefined) {
      living *= added.scale;
      abv *= added.scale;
      nitrogen = nitrogen * added.scale + added.nitrogenMgPerL;
      sugar = sugar * added.scale + added.sugarGPerL;
    }
    sugarOut[k] = sugar;
    const hour = hours[k] ?? 0;
    if (hour < lagH) continue;
    const h = stepH[k] ?? 0;
    const warm = work[k] ?? 0;
    const growth = growthPerH * warm;
    const uptake = uptakePerH * warm * course.acidSlowing;
    const strength = abv / toleranceAbv;
    const slowing = strength < 1 ? (1 - strength) ** kinetics.slowing : 0;
    const square = strength * strength;
    const dying = deathPerH * (death[k] ?? 0) * square * square;

    let dx = 0;
    let dn = 0;
    let ds = 0;
    let sumX = 0;
    let sumN = 0;
    let sumS = 0;
    for (let stage = 0; stage < 4; stage++) {
      const ahead = stage === 0 ? 0 : stage === 3 ? h : h / 2;
      const x = living + ahead * dx;
      const n = Math.max(0, nitrogen + ahead * dn);
      const s = Math.max(0, sugar + ahead * ds);
      const grown = growth * (n / (HALF_N + n)) * slowing * x;
      dx = grown - dying * x;
      dn = -grown / yeastPerN;
      ds = -uptake * (s / (halfSugar + s)) * slowing * x;
      const weight = stage === 0 || stage === 3 ? 1 : 2;
      sumX += weight * dx;
      sumN += weight * dn;
      sumS += weight * ds;
    }
    living = Math.max(0, living + (h / 6) * sumX);
    nitrogen = Math.max(0, nitrogen + (h / 6) * sumN);
    const eaten = Math.min(sugar, (-h / 6) * sumS);
    sugar -= eaten;
    abv += eaten * ABV_PER_SUGAR;
  }
}
/** Of dry yeast, the share that wakes up (our estimate). */
const PITCH_LIVES = 0.6;
