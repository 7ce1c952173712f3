import { co2FromSugarVolumes, gaugePressureBar, residualCo2Volumes } from '../carbonate/index.ts';
import { broughtBy } from '../ingredients/index.ts';
import type { Composition } from '../ingredients/index.ts';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import { WATER_20_KG_PER_M3, mix } from '../liquid/index.ts';
import type { Measured } from '../liquid/index.ts';
import { afterSugar, liquidOf, pour } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, requireWithin } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { stopsAt } from '../yeast/index.ts';

/** What sweetens, and how much of it. */
export interface Addition {
  massG: number;
  composition: Composition;
}

/** Several honeys or syrups in a ratio by mass. */
export type Blend = readonly { share: number; composition: Composition }[];

export interface Sweetened {
  volumeL: number;
  sg: number;
  abv: number;
  sugarGPerL: number;
  extractGPerL: number;
}

function withAdditions(mead: Readonly<Masses>, additions: readonly Addition[]): Masses {
  const sweet = { ...mead };
  for (const { massG, composition } of additions) {
    if (!(massG >= 0)) throw new Refusal('What sweetens cannot weigh less than nothing.', 'massG');
    pour(sweet, broughtBy(massG, composition));
  }
  return sweet;
}

/**
 * The mead with all of that stirred in: it brings sugar, other solids, water and volume, and thins the alcohol.
 * @throws Refusal for less than nothing of anything
 */
export function sweeten(mead: Readonly<Masses>, additions: readonly Addition[]): Sweetened {
  const sweet = withAdditions(mead, additions);
  const mixed = mix(liquidOf(sweet));
  return { ...mixed, sugarGPerL: sweet.sugarG / mixed.volumeL };
}

/** So many grams of a blend, each of its parts by its share. @throws Refusal where no part has one */
export function additionsOf(blend: Blend, totalG: number): Addition[] {
  const all = blend.reduce((sum, { share }) => sum + requireWithin('A share', share, 0, 1000), 0);
  if (!(all > 0)) throw new Refusal('Give at least one of them a share above 0.', 'share');
  return blend.map(({ share, composition }) => ({ massG: (totalG * share) / all, composition }));
}

/**
 * The sugar of a sweetened mead, g/L, as unsure as that of the mead was; the honey was weighed.
 * @param before the mead's own sugar, g/L
 */
export function sugarRange({ sugarGPerL }: Sweetened, before: Ranged): Ranged {
  const low = Math.max(0, sugarGPerL - (before.value - before.low));
  return { value: sugarGPerL, low, high: sugarGPerL + (before.high - before.value) };
}

export type SweetTarget = { sg: number } | { sugarGPerL: number } | { addedGPerL: number };

/** What a target looks at in a mead sweetened so far. */
function measured(target: SweetTarget, result: Sweetened, addedG: number): number {
  if ('sg' in target) return result.sg;
  return 'sugarGPerL' in target ? result.sugarGPerL : addedG / result.volumeL;
}

/**
 * Grams of a blend in all that bring a mead to a gravity, to g/L of sugar, or that bring g/L of dissolved solids to what becomes of it.
 * @throws Refusal when it is there already or when nothing of it can bring it there
 */
export function gramsToReach(mead: Readonly<Masses>, blend: Blend, target: SweetTarget): number {
  const wanted = 'sg' in target ? target.sg : 'sugarGPerL' in target ? target.sugarGPerL : target.addedGPerL;
  const solidsPerG = additionsOf(blend, 1).reduce(
    (sum, { massG, composition }) => sum + massG * (composition.sugar + composition.unfermentable),
    0,
  );
  const measure = (totalG: number): number => measured(target, sweeten(mead, additionsOf(blend, totalG)), totalG * solidsPerG);
  const now = measure(0);
  const shown = (value: number): string => ('sg' in target ? value.toFixed(3) : `${Math.round(value)} g/L`);
  if (wanted < now - 1e-12)
    throw new Refusal(`It stands at ${shown(now)} already; sweetening cannot bring it down to ${shown(wanted)}.`, 'target');
  const most = 2 * (mead.waterG + mead.sugarG + mead.ethanolG);
  if (wanted > measure(most))
    throw new Refusal(`${shown(wanted)} is sweeter than that can make it; up to ${shown(measure(most))} can be computed.`, 'target');
  return wanted <= now ? 0 : settled(findRoot((totalG) => measure(totalG) - wanted, 0, most, 1e-6));
}

export interface Refermentation {
  /** Alcohol it would climb by, % vol. */
  moreAbv: number;
  /** CO2 if it ferments in closed bottles, volumes. */
  co2Volumes: number;
  /** Gauge pressure at 20 °C, bar: a lower estimate. */
  pressureBar: number;
}

/** What the yeast could still make of a mead that is not stabilized, sealed at room temperature. */
export function whatItWouldBecome(mead: Readonly<Masses>, additions: readonly Addition[], toleranceAbv: number): Refermentation {
  const start = withAdditions(mead, additions);
  const before = afterSugar(start, 0, CENTRAL_ASSUMPTIONS);
  const stop = stopsAt(start, toleranceAbv, 0, CENTRAL_ASSUMPTIONS);
  const fermentedGPerL = start.sugarG / before.volumeL - stop.sugarGPerL;
  const co2Volumes = residualCo2Volumes(20) + co2FromSugarVolumes(Math.max(0, fermentedGPerL));
  return { moreAbv: Math.max(0, stop.abv - before.abv), co2Volumes, pressureBar: gaugePressureBar(co2Volumes, 20) };
}

/** Sweeteners that yeast leaves alone, by mass against sugar, and what a gram takes up in solution, ml (tables of solution densities, rounded). */
export const SWEETNESS = {
  erythritol: { value: 0.65, low: 0.6, high: 0.7, mlPerG: 0.712 },
  xylitol: { value: 0.95, low: 0.9, high: 1, mlPerG: 0.674 },
  lactose: { value: 0.2, low: 0.15, high: 0.3, mlPerG: 0.62 },
} as const;
/** Sucrose in water, ml for a gram. */
const SUCROSE_ML_PER_G = 0.618;

export interface SolidlySweetened {
  volumeL: number;
  sg: number;
  abv: number;
  addedGPerL: number;
  /** As sweet as so much sugar, g/L. */
  asSugarGPerL: number;
}

/**
 * A mead with a dry solid in it that does not ferment. It takes up so much room for each gram, sugar's where nothing is known: of
 * erythritol that would overstate the gravity by a third.
 * @param sweetness against sugar by mass, 0 to 1000 @throws Refusal outside that, or for less than nothing
 */
export function sweetenWithSolid(mead: Measured, massG: number, sweetness: number, mlPerG = SUCROSE_ML_PER_G): SolidlySweetened {
  requireWithin('The sweetener', massG, 0, 1_000_000, 'g');
  requireWithin('The sweetness', sweetness, 0, 1000);
  const volumeL = mead.volumeL + (massG * mlPerG) / 1000;
  const addedGPerL = massG / volumeL;
  return {
    volumeL,
    sg: (mead.volumeL * mead.sg * WATER_20_KG_PER_M3 + massG) / (volumeL * WATER_20_KG_PER_M3),
    abv: (mead.abv * mead.volumeL) / volumeL,
    addedGPerL,
    asSugarGPerL: addedGPerL * sweetness,
  };
}

/** Bench trial to batch: grams per glass scale with the volumes. */
export const scaleFromGlassG = (gramsInGlass: number, glassMl: number, batchL: number): number => (gramsInGlass * batchL * 1000) / glassMl;
