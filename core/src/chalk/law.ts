import { ETHANOL_20_KG_PER_M3, mix } from '../liquid/index.ts';
import { SULFITE_PK } from '../preservatives/index.ts';
import type { YeastType } from '../yeast/index.ts';

/**
 * The law of the musts on the chalk floor. It differs from the forecast's on purpose, so that forecast and clinic are as honest here as
 * in life: yeast grows while its sterols last, takes up sugar by carriers that wear out where nitrogen is short, is held back by
 * alcohol along a power (Levenspiel, Biotechnol. Bioeng. 22 (1980) 1671), works between three cardinal temperatures (Rosso, Lobry &
 * Flandrois, J. Theor. Biol. 162 (1993) 447), and sinks to rest in the cold. Figures are our own estimates unless a source stands by.
 */
export interface Must {
  hour: number;
  volumeL: number;
  /** Masses in the vessel, g. */
  waterG: number;
  glucoseG: number;
  fructoseG: number;
  unfermentableG: number;
  ethanolG: number;
  co2G: number;
  /** Yeast, glycerol and whatever else sugar becomes. */
  restG: number;
  /** Since the pitch, g: gas that went out, and all else that left the vessel, other than water. */
  goneCo2G: number;
  takenG: number;
  /** Yeast that works, and that lies at rest, g/L. */
  living: number;
  resting: number;
  /** 1 as pitched in air; halves with each doubling. */
  sterol: number;
  /** 1 where the cell's sugar carriers are whole. */
  carriers: number;
  /** Assimilable nitrogen, mg/L, and which share of it is ammonium. */
  nitrogen: number;
  ammoniumShare: number;
  ph: number;
  /** mmol of acid a liter for one unit of pH. */
  buffer: number;
  tempC: number;
  /** Free SO2 and sorbic acid, mg/L. */
  so2: number;
  sorbic: number;
  /** Of sulfur, by the nose: 1 is plain to smell. */
  sulfur: number;
  /** 1 as murky as a must in full ferment. */
  haze: number;
  leesG: number;
  /** Fruit pulp, which carries foam: 0 none, 1 whole fruit. */
  pulp: number;
  isClosed: boolean;
  /** g/L of sugar eaten in an hour, as it is now. */
  rate: number;
  /** g/L of gas that goes out in an hour. */
  gas: number;
  /** Foam that stands on it, L. */
  foamL: number;
}

/** What works in it, and where it stands. */
export interface Setting {
  yeast: Pick<YeastType, 'tempC' | 'phFloor'>;
  /** What this yeast really bears, % vol. */
  bearsAbv: number;
  /** Times the usual speed. */
  vigor: number;
  /** 1 for a yeast that makes little sulfur when it is hungry, 3 for one that makes much. */
  stinks: number;
  headspaceL: (must: Must) => number;
  /** How much the gas that it holds slows it: 0 not at all. */
  gasWeighs: number;
}

export const STEP_H = 0.25;
/** Of a honey’s sugar. */
export const GLUCOSE_IN_HONEY = 0.44;
/** mmol of acid that shift a liter of honey must by one unit of pH. */
export const HONEY_BUFFER = 24;
/** Less sugar than this is dry, g/L. */
export const DRY_G_PER_L = 6;
/** g from 1 g of hexose: by the equation 0.511 and 0.489, of which yeast and glycerol take 0.053 (Pasteur's share, rounded). */
const YIELD = { ethanol: 0.484, co2: 0.463, rest: 0.053 } as const;
const ETHANOL_G_PER_ABV = ETHANOL_20_KG_PER_M3 / 100;

const GROWTH_PER_H = 0.15;
const HALF_NITROGEN = 18;
/** mg of nitrogen in a gram of yeast. */
const NITROGEN_IN_YEAST = 62;
const LEAST_STEROL = 0.075;
const UPTAKE_PER_H = 0.3;
const HALF_SUGAR = { glucose: 9, fructose: 17 } as const;
/** Carriers lost an hour where no nitrogen is left, and built where there is some. */
const CARRIERS = { wear: 0.0007, mend: 0.03, halfNitrogen: 8 } as const;
/** g/L an hour below which yeast begins to sink. */
const IDLE_RATE = 0.012;
const SETTLES_PER_H = { always: 0.0004, idle: 0.005 } as const;
/** g/L of CO2 at 20 °C under the open air, and how it falls with warmth. */
const SATURATED = { at20: 1.6, perC: 0.03 } as const;
/** °C that a liter gains from a gram of sugar (about 0.55 kJ/g over 4 kJ/K). */
const WARMS_PER_G = 0.13;

/** % vol, from the alcohol and the volume. */
export const abvOf = ({ ethanolG, volumeL }: Pick<Must, 'ethanolG' | 'volumeL'>): number => ethanolG / volumeL / ETHANOL_G_PER_ABV;
/** A yeast that has made so much of what it bears has come to its end, sweet or not. */
const SPENT = 0.86;
export const isSpent = (must: Must, { bearsAbv }: Pick<Setting, 'bearsAbv'>): boolean => abvOf(must) > SPENT * bearsAbv;
export const sugarGPerL = ({ glucoseG, fructoseG, volumeL }: Pick<Must, 'glucoseG' | 'fructoseG' | 'volumeL'>): number =>
  (glucoseG + fructoseG) / volumeL;
/** True gravity 20/20, without the gas in it. */
export const gravityOf = ({ waterG, glucoseG, fructoseG, unfermentableG, ethanolG }: Must): number =>
  mix({ waterG, extractG: glucoseG + fructoseG + unfermentableG, ethanolG }).sg;
export const saturatedCo2 = (tempC: number): number => SATURATED.at20 * Math.exp(-SATURATED.perC * (tempC - 20));

/** g of sugar, alcohol, gas and what they became; nothing but a deed changes it. */
export const balanceG = (must: Must): number =>
  must.glucoseG + must.fructoseG + must.ethanolG + must.co2G + must.restG + must.goneCo2G + must.takenG;

/** Speed at a temperature, 1 at the best (Rosso's cardinal temperatures, set out from a packet's range). */
export function warmthLaw(tempC: number, { low, high }: YeastType['tempC']): number {
  const [least, best, most] = [low - 8, Math.min(high + 4, 32), high + 12];
  if (tempC <= least || tempC >= most) return 0;
  const top = (tempC - most) * (tempC - least) ** 2;
  const below = (best - least) * ((best - least) * (tempC - best) - (best - most) * (best + least - 2 * tempC));
  return Math.max(0, top / below);
}

/** Molecular SO2, mg/L. */
const molecular = (so2: number, ph: number): number => so2 / (1 + 10 ** (ph - SULFITE_PK));

/** A quarter of an hour passes. @param roomC of the air around it @param tauH in which the must follows the room */
export function passes(must: Must, { yeast, bearsAbv, vigor, stinks, headspaceL, gasWeighs }: Setting, roomC: number, tauH: number): void {
  const { volumeL } = must;
  const abv = abvOf(must);
  const warm = warmthLaw(must.tempC, yeast.tempC) * vigor;
  const strength = abv / bearsAbv;
  const held = Math.max(0, 1 - strength) ** 0.7;
  const sour = 1 / (1 + 10 ** ((yeast.phFloor - 0.22 - must.ph) / 0.12));
  const poison = molecular(must.so2, must.ph);
  const gassed = Math.max(0, must.co2G / volumeL / saturatedCo2(must.tempC) - 1);
  const works = (warm * held * sour) / (1 + (poison / 0.5) ** 3) / (1 + gasWeighs * gassed);
  const fedness = must.nitrogen / (must.nitrogen + CARRIERS.halfNitrogen);

  const [glucose, fructose] = [must.glucoseG / volumeL, must.fructoseG / volumeL];
  const mu =
    ((GROWTH_PER_H * works * must.nitrogen) / (must.nitrogen + HALF_NITROGEN)) *
    (Math.max(0, must.sterol - LEAST_STEROL) / (must.sterol + 0.2)) *
    (1 / (1 + (must.sorbic / 120) ** 4)) *
    ((glucose + fructose) / (glucose + fructose + 3));
  const grown = Math.min(STEP_H * mu * must.living, must.nitrogen / NITROGEN_IN_YEAST);
  must.living += grown;
  must.sterol *= Math.exp(-STEP_H * mu * 0.9);
  const takenUp = grown * NITROGEN_IN_YEAST;
  must.nitrogen -= takenUp;
  must.ph = Math.max(2.6, must.ph - (takenUp * must.ammoniumShare) / 14 / must.buffer);
  must.carriers += STEP_H * (CARRIERS.mend * fedness * (1 - must.carriers) - CARRIERS.wear * warm * (1 - fedness) * must.carriers);

  const full = STEP_H * UPTAKE_PER_H * works * must.carriers * must.living * volumeL;
  const eatsGlucose = Math.min(must.glucoseG, (full * glucose) / (HALF_SUGAR.glucose + glucose + fructose / 3));
  const eatsFructose = Math.min(must.fructoseG, (full * fructose) / (HALF_SUGAR.fructose + fructose + glucose));
  const eaten = eatsGlucose + eatsFructose;
  must.glucoseG -= eatsGlucose;
  must.fructoseG -= eatsFructose;
  must.ethanolG += YIELD.ethanol * eaten;
  must.co2G += YIELD.co2 * eaten;
  must.restG += YIELD.rest * eaten;
  must.rate = eaten / volumeL / STEP_H;

  const spare = must.isClosed ? 0 : Math.max(0, must.co2G - saturatedCo2(must.tempC) * volumeL);
  const out = spare * (must.co2G > 1.5 * saturatedCo2(must.tempC) * volumeL ? 0.6 : 0.06);
  must.co2G -= out;
  must.goneCo2G += out;
  must.gas = out / volumeL / STEP_H;
  must.foamL = Math.min(volumeL, must.gas * volumeL * (0.12 + 0.5 * must.pulp));
  const over = must.isClosed ? 0 : must.foamL - headspaceL(must);
  if (over > 0) loses(must, Math.min(0.2 * volumeL, 0.05 * over));

  const heat = Math.max(0, must.tempC - yeast.tempC.high - 2);
  const dies =
    0.0002 +
    0.02 * Math.max(0, strength - 0.9) +
    0.004 * heat +
    0.004 * (1 - sour) +
    0.012 * poison ** 2 +
    (must.tempC > 45 ? 2 * (must.tempC - 44) : 0);
  const died = must.living * (1 - Math.exp(-STEP_H * dies));
  must.resting *= Math.exp(-STEP_H * (0.0008 + dies / 2));
  const idle = 1 / (1 + (must.rate / IDLE_RATE) ** 2);
  const sinks = (must.living - died) * STEP_H * (SETTLES_PER_H.always + SETTLES_PER_H.idle * idle * (1 - Math.min(1, warm)));
  must.living = Math.max(1e-6, must.living - died - sinks);
  must.resting += sinks;
  must.leesG += (died + sinks) * volumeL + (must.pulp * volumeL * STEP_H) / 40;
  must.pulp *= Math.exp(-STEP_H / 240);

  must.sulfur +=
    STEP_H * (0.12 * stinks * must.rate * (1 - fedness) * (strength < 0.6 ? 1 : 0.3) - must.sulfur * (0.006 + 0.05 * must.gas));
  must.haze += STEP_H * (0.05 * Math.min(1, must.rate / 0.3) * (1 - must.haze) - (must.rate < 0.05 ? 0.0035 : 0) * must.haze);
  must.so2 *= Math.exp(-STEP_H * 0.0006);
  must.tempC += (STEP_H * (roomC - must.tempC)) / tauH + (WARMS_PER_G * eaten) / volumeL;
  must.hour += STEP_H;
}

/** So many liters leave the vessel, mixed as they are. */
export function loses(must: Must, liters: number): void {
  const share = Math.min(0.99, Math.max(0, liters / must.volumeL));
  for (const of of ['waterG', 'glucoseG', 'fructoseG', 'unfermentableG', 'ethanolG', 'co2G', 'restG'] as const) {
    if (of !== 'waterG' && of !== 'unfermentableG') must.takenG += must[of] * share;
    must[of] *= 1 - share;
  }
  must.leesG *= 1 - share;
  must.volumeL *= 1 - share;
}

/** Sugar goes in, as honey has it; its water and volume with it. */
export function sweetens(must: Must, massG: number, moisture: number, unfermentable: number): void {
  const sugar = massG * (1 - moisture - unfermentable);
  must.waterG += massG * moisture;
  must.unfermentableG += massG * unfermentable;
  must.glucoseG += GLUCOSE_IN_HONEY * sugar;
  must.fructoseG += (1 - GLUCOSE_IN_HONEY) * sugar;
  const before = must.volumeL;
  must.volumeL = volumeOf(must);
  dilutes(must, before / must.volumeL);
}

/** What a liter of it held is now in more of it. */
function dilutes(must: Must, share: number): void {
  for (const of of ['living', 'resting', 'nitrogen', 'so2', 'sorbic', 'buffer'] as const) must[of] *= share;
}

export const volumeOf = ({ waterG, glucoseG, fructoseG, unfermentableG, ethanolG }: Omit<Must, 'volumeL'>): number =>
  mix({ waterG, extractG: glucoseG + fructoseG + unfermentableG, ethanolG }).volumeL;
