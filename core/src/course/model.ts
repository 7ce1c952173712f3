/**
 * How a must ferments: biomass grows on nitrogen, what lives of it eats sugar, alcohol slows it and kills it, warmth drives
 * all of it. The structure is that of Cramer, Vlassides & Block, Biotechnol. Bioeng. 77 (2002) 49: nitrogen-limited growth,
 * sugar uptake by active cells, death by ethanol. That starved cells lose their sugar carriers is from Salmon, Appl. Environ.
 * Microbiol. 55 (1989) 953; that alcohol lowers their affinity is usual in models of wine. The parameters are our own estimates for
 * honey must, with wide spreads that readings narrow. Uptake that ceases at the yeast's tolerance is ours as well.
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
  /** Share of its uptake that a cell loses in an hour at 20 °C once there is no nitrogen to renew it with, 1/h. */
  tiringPerH: number;
  /** g/L that it leaves however weak it is. */
  dryGPerL: number;
}

/** What happens to the liquid besides fermenting. */
export interface Pulse {
  hour: number;
  /** Dilution: concentrations are multiplied by this, biomass among them. */
  scale: number;
  sugarGPerL: number;
  nitrogenMgPerL: number;
}

/** What a must ferments in, as far as it is on record. */
export interface Setting {
  sugarGPerL: number;
  nitrogenMgPerL: number;
  /** g/L of dry yeast pitched. */
  pitchGPerL: number;
  /** Measured or expected, in order; straight between, even before the first and after the last. */
  temps: readonly { hour: number; tempC: number }[];
  pulses: readonly Pulse[];
  /** pH below the yeast's floor slows uptake; 1 where it is not. */
  acidSlowing: number;
  /** % vol for each g/L of sugar in this must, by its masses. */
  abvPerSugar: number;
  horizonH: number;
}

/** The sugar that a liter holds or once held at an hour, g/L: at the pitch, and what was or will be poured in by then. */
export const sugarBasisAt = (
  { sugarGPerL: atPitch, pulses }: Pick<Setting, 'sugarGPerL' | 'pulses'>,
  hour = Number.POSITIVE_INFINITY,
): number => pulses.reduce((sum, { hour: at, scale, sugarGPerL }) => (at <= hour ? sum * scale + sugarGPerL : sum), atPitch);

/** Half-saturation of growth, mg N/L (our estimate of a common value). */
const HALF_N = 20;
/** How much faster for 10 °C more: growth and uptake twofold, death threefold; nothing works above 34 °C (our estimates). */
const Q10 = { work: 2, death: 3 } as const;
const TOO_HOT_C = 34;
const FROZEN_C = 3;
/** % vol for each g/L of sugar: 0.484 g/g of ethanol at 789 g/L. */
export const ABV_PER_SUGAR = 0.484 / 7.893;
/** The steps: short while growth is quick, long afterwards. */
const STEPS_H = { fine: 1, later: 3 } as const;
const COARSE_STEPS_H = { fine: 3, later: 8 } as const;
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
export function tempAt(temps: Setting['temps'], hour: number): number {
  const after = temps.findIndex((point) => point.hour > hour);
  const [left, right] = after === -1 ? [temps.at(-1), undefined] : [temps[after - 1], temps[after]];
  if (left === undefined) return right?.tempC ?? 20;
  if (right === undefined) return left.tempC;
  return left.tempC + ((right.tempC - left.tempC) * (hour - left.hour)) / (right.hour - left.hour);
}

/**
 * Everything that is the same for all members of an ensemble, computed once.
 * @param isCoarse by steps twice as long
 * @param fromH from this hour on it is as much warmer as `warmerC` says
 */
export function gridOf(
  { temps, pulses, horizonH }: Setting,
  { isCoarse = false, fromH = Number.POSITIVE_INFINITY, warmerC = 0 }: { isCoarse?: boolean; fromH?: number; warmerC?: number } = {},
): Grid {
  const { fine, later } = isCoarse ? COARSE_STEPS_H : STEPS_H;
  const hours: number[] = [];
  for (let hour = 0; hour < horizonH; hour += hour < FINE_UNTIL_H ? fine : later) hours.push(hour);
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
 * One course of one must, by Runge and Kutta's fourth-order rule, written out since a loop over its stages costs half as much again. Writes the sugar left at each step's start, g/L.
 * Allocates nothing.
 */
export function ferment(kinetics: Kinetics, setting: Setting, grid: Grid, sugarOut: Float64Array): void {
  const { growthPerH, uptakePerH, yeastPerN, deathPerH, lagH, toleranceAbv, tiringPerH, dryGPerL } = kinetics;
  const { abvPerSugar } = setting;
  const { hours, stepH, work, death, pulse } = grid;
  let living = Math.max(0.05, setting.pitchGPerL * PITCH_LIVES);
  let nitrogen = setting.nitrogenMgPerL;
  let sugar = Math.max(0, setting.sugarGPerL - dryGPerL);
  let abv = 0;
  let vigor = 1;
  const steps = hours.length;
  tabulateSlowing(kinetics.slowing);
  for (let k = 0; k < steps; k++) {
    const p = pulse[k] as number;
    const added = p >= 0 ? setting.pulses[p] : undefined;
    if (added !== undefined) {
      living *= added.scale;
      abv *= added.scale;
      nitrogen = nitrogen * added.scale + added.nitrogenMgPerL;
      sugar = sugar * added.scale + added.sugarGPerL;
    }
    sugarOut[k] = sugar + dryGPerL;
    const hour = hours[k] as number;
    if (hour < lagH) continue;
    const h = stepH[k] as number;
    const warm = work[k] as number;
    const growth = growthPerH * warm;
    const uptake = uptakePerH * warm * setting.acidSlowing;
    const strength = abv / toleranceAbv;
    const slowing = slowingAt(strength);
    const square = strength * strength;
    const dying = deathPerH * (death[k] as number) * square * square;

    const halfSugar = kinetics.halfSugar * (1 + AFFINITY_LOSS * Math.min(1, strength));
    const half = h / 2;
    const perN = 1 / yeastPerN;
    /** Carriers are renewed while it grows; afterwards they wear out. An implicit step: an exponential would cost more than all else. */
    vigor = REST_VIGOR + (vigor - REST_VIGOR) / (1 + (tiringPerH * warm * h * HALF_N) / (HALF_N + nitrogen));
    const eats = uptake * slowing * vigor;
    const grows = growth * slowing;

    let grown = ((grows * nitrogen) / (HALF_N + nitrogen)) * living;
    const x1 = grown - dying * living;
    const n1 = -grown * perN;
    const s1 = ((-eats * sugar) / (halfSugar + sugar)) * living;

    let x = living + half * x1;
    let n = notNegative(nitrogen + half * n1);
    let s = notNegative(sugar + half * s1);
    grown = ((grows * n) / (HALF_N + n)) * x;
    const x2 = grown - dying * x;
    const n2 = -grown * perN;
    const s2 = ((-eats * s) / (halfSugar + s)) * x;

    x = living + half * x2;
    n = notNegative(nitrogen + half * n2);
    s = notNegative(sugar + half * s2);
    grown = ((grows * n) / (HALF_N + n)) * x;
    const x3 = grown - dying * x;
    const n3 = -grown * perN;
    const s3 = ((-eats * s) / (halfSugar + s)) * x;

    x = living + h * x3;
    n = notNegative(nitrogen + h * n3);
    s = notNegative(sugar + h * s3);
    grown = ((grows * n) / (HALF_N + n)) * x;
    const x4 = grown - dying * x;
    const n4 = -grown * perN;
    const s4 = ((-eats * s) / (halfSugar + s)) * x;

    living = notNegative(living + (h / 6) * (x1 + 2 * (x2 + x3) + x4));
    nitrogen = notNegative(nitrogen + (h / 6) * (n1 + 2 * (n2 + n3) + n4));
    const eaten = Math.min(sugar, (-h / 6) * (s1 + 2 * (s2 + s3) + s4));
    sugar -= eaten;
    abv += eaten * abvPerSugar;
  }
}
/** How alcohol slows it, tabulated for the member at hand: a power for each step would cost more than all else in it. */
const SLOWING_STEPS = 128;
const slowingTable = new Float64Array(SLOWING_STEPS + 2);
let tabulated = Number.NaN;
function tabulateSlowing(power: number): void {
  if (power === tabulated) return;
  tabulated = power;
  for (let i = 0; i < SLOWING_STEPS; i++) slowingTable[i] = (1 - i / SLOWING_STEPS) ** power;
}
function slowingAt(strength: number): number {
  if (strength >= 1) return 0;
  const place = strength * SLOWING_STEPS;
  const i = place | 0;
  const low = slowingTable[i] as number;
  return low + ((slowingTable[i + 1] as number) - low) * (place - i);
}
/** A starved cell keeps so much of its uptake for weeks (our estimate). */
const REST_VIGOR = 0.3;
/** Alcohol lowers the affinity of the carriers: at the tolerance it takes by this share more sugar for the same uptake (our estimate). */
const AFFINITY_LOSS = 0.5;
const notNegative = (value: number): number => (value > 0 ? value : 0);
/** Of dry yeast, the share that wakes up (our estimate). */
const PITCH_LIVES = 0.6;
