import type { Rng } from '../numerics/index.ts';

/**
 * Another must of which everything is known, by laws that neither the forecast nor `world.ts` shares: yeast adapts before it
 * grows (Baranyi & Roberts, Int. J. Food Microbiol. 23 (1994) 277), eats glucose before fructose, is held back by alcohol along an
 * exponential (Aiba et al., Biotechnol. Bioeng. 10 (1968) 845), loses its strength week by week, and is killed where the alcohol
 * passes what it bears. All figures are our own estimates.
 */
export interface FructoseWorld {
  nitrogenMgPerL: number;
  pitchGPerL: number;
  feeds: readonly { hour: number; nitrogenMgPerL: number }[];
  tempC: (hour: number) => number;
  /** How strong it becomes before it dies, % vol. */
  bearsAbv: number;
  /** Times the usual speed, and how much more it likes glucose. */
  vigor: number;
  likesGlucose: number;
  /** Hours at 20 °C in which it loses half of its strength once it has stopped growing. */
  halvesInH: number;
  /** g/L that it never eats. */
  leavesGPerL: number;
}

const STEP_H = 0.25;
const GLUCOSE_SHARE = 0.45;
const ABV_PER_SUGAR = 0.484 / 7.893;
const GROWTH_PER_H = 0.16;
const YEAST_PER_N = 0.011;
const HALF_N = 30;
const UPTAKE_PER_H = 0.75;
const HALF_GLUCOSE = 12;
const HALF_FRUCTOSE = 25;
/** Uptake falls by e for so much alcohol, % vol. */
const AIBA_ABV = 9;
const ADAPTS_PER_H = 0.16;

/** Arrhenius, 1 at 20 °C, with what heat undoes above 33 °C. */
const warmth = (tempC: number): number =>
  Math.exp((55_000 / 8.314) * (1 / 293.15 - 1 / (tempC + 273.15))) / (1 + Math.exp((tempC - 33) / 1.2));

/** The sugar left at each full hour, g/L. */
export function fructoseSugarByHour(world: FructoseWorld, sugarGPerL: number, hours: number): Float64Array {
  const left = new Float64Array(hours + 1);
  const eatable = Math.max(0, sugarGPerL - world.leavesGPerL);
  let [glucose, fructose] = [GLUCOSE_SHARE * eatable, (1 - GLUCOSE_SHARE) * eatable];
  let living = 0.5 * world.pitchGPerL;
  let nitrogen = world.nitrogenMgPerL;
  let [ready, strength] = [0.03, 1];
  const feeds = [...world.feeds].sort((a, b) => a.hour - b.hour);
  for (let step = 0; step <= hours / STEP_H; step++) {
    const hour = step * STEP_H;
    const sugar = glucose + fructose;
    if (Number.isInteger(hour)) left[hour] = sugar + sugarGPerL - eatable;
    while ((feeds[0]?.hour ?? Infinity) <= hour) nitrogen += feeds.shift()?.nitrogenMgPerL ?? 0;
    const abv = (eatable - sugar) * ABV_PER_SUGAR;
    const warm = warmth(world.tempC(hour)) * world.vigor;
    ready += STEP_H * ADAPTS_PER_H * warm * ready * (1 - ready);
    const held = Math.exp(-abv / AIBA_ABV);
    const hunger = nitrogen / (HALF_N + nitrogen);
    const grown = GROWTH_PER_H * warm * ready * hunger * held * living;
    strength -= (STEP_H * Math.LN2 * warm * (1 - hunger) * strength) / world.halvesInH;
    const dying = 0.0003 + 0.02 / (1 + Math.exp((world.bearsAbv - abv) / 0.25));
    const full = UPTAKE_PER_H * warm * ready * held * strength * living;
    const liked = world.likesGlucose * glucose;
    const [eatsGlucose, eatsFructose] = [
      (full * glucose) / (HALF_GLUCOSE + glucose + fructose / world.likesGlucose),
      (full * fructose) / (HALF_FRUCTOSE + fructose + liked),
    ];
    glucose = Math.max(0, glucose - STEP_H * eatsGlucose);
    fructose = Math.max(0, fructose - STEP_H * eatsFructose);
    nitrogen = Math.max(0, nitrogen - (STEP_H * grown) / YEAST_PER_N);
    living = Math.max(1e-4, living + STEP_H * (grown - dying * living));
  }
  return left;
}

const between = (rng: Rng, low: number, high: number): number => low + (high - low) * rng();

/** A room that nobody heats at night, and a house that cools or warms over the weeks. */
export function unheatedRoom(rng: Rng): (hour: number) => number {
  const [start, drift, night] = [between(rng, 15, 25), between(rng, -2.5, 1.5), between(rng, 0.5, 3)];
  return (hour) => Math.max(8, start + (drift * Math.min(hour, 40 * 24)) / (24 * 14) + night * Math.sin((2 * Math.PI * (hour - 9)) / 24));
}
