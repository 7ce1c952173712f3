import { co2FromSugarVolumes, gaugePressureBar, residualCo2Volumes } from '../carbonate/index.ts';
import { honeyBrings } from '../ingredients/index.ts';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import { mix } from '../liquid/index.ts';
import { afterSugar, liquidOf, pour } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import { findRoot, settled } from '../numerics/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { stopsAt } from '../yeast/index.ts';

export interface SweeteningHoney {
  moisture: number;
  unfermentable: number;
}

export interface Sweetened {
  volumeL: number;
  sg: number;
  abv: number;
  sugarGPerL: number;
  extractGPerL: number;
}

function withHoney(mead: Readonly<Masses>, honeyG: number, honey: SweeteningHoney): Masses {
  const sweet = { ...mead };
  pour(sweet, honeyBrings(honeyG, honey.moisture, honey.unfermentable));
  return sweet;
}

/** The mead with this much honey stirred in: honey brings sugar, water and volume, and thins the alcohol. */
export function sweeten(mead: Readonly<Masses>, honeyG: number, honey: SweeteningHoney): Sweetened {
  if (!(honeyG >= 0)) throw new Refusal('Honey cannot weigh less than nothing.', 'honeyG');
  const sweet = withHoney(mead, honeyG, honey);
  const mixed = mix(liquidOf(sweet));
  return { ...mixed, sugarGPerL: sweet.sugarG / mixed.volumeL };
}

/**
 * The sugar of a sweetened mead, g/L, as unsure as that of the mead was; the honey was weighed.
 * @param before the mead's own sugar, g/L
 */
export function sugarRange({ sugarGPerL }: Sweetened, before: Ranged): Ranged {
  const low = Math.max(0, sugarGPerL - (before.value - before.low));
  return { value: sugarGPerL, low, high: sugarGPerL + (before.high - before.value) };
}

export type SweetTarget = { sg: number } | { sugarGPerL: number };

/**
 * Grams of honey that bring a mead to a gravity or to g/L of sugar.
 * @throws Refusal when it is there already or when no honey can bring it there
 */
export function honeyToReachG(mead: Readonly<Masses>, honey: SweeteningHoney, target: SweetTarget): number {
  const wanted = 'sg' in target ? target.sg : target.sugarGPerL;
  const measure = (honeyG: number): number => {
    const result = sweeten(mead, honeyG, honey);
    return 'sg' in target ? result.sg : result.sugarGPerL;
  };
  const now = measure(0);
  const shown = (value: number): string => ('sg' in target ? value.toFixed(3) : `${Math.round(value)} g/L`);
  if (wanted < now) throw new Refusal(`It stands at ${shown(now)} already; honey cannot bring it down to ${shown(wanted)}.`, 'target');
  const most = 2 * (mead.waterG + mead.sugarG + mead.ethanolG);
  if (wanted > measure(most))
    throw new Refusal(`${shown(wanted)} is sweeter than honey can make this; up to ${shown(measure(most))} can be computed.`, 'target');
  return wanted === now ? 0 : settled(findRoot((honeyG) => measure(honeyG) - wanted, 0, most, 1e-6));
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
export function whatItWouldBecome(mead: Readonly<Masses>, honeyG: number, honey: SweeteningHoney, toleranceAbv: number): Refermentation {
  const start = withHoney(mead, honeyG, honey);
  const before = afterSugar(start, 0, CENTRAL_ASSUMPTIONS);
  const stop = stopsAt(start, toleranceAbv, 0, CENTRAL_ASSUMPTIONS);
  const fermentedGPerL = start.sugarG / before.volumeL - stop.sugarGPerL;
  const co2Volumes = residualCo2Volumes(20) + co2FromSugarVolumes(Math.max(0, fermentedGPerL));
  return { moreAbv: Math.max(0, stop.abv - before.abv), co2Volumes, pressureBar: gaugePressureBar(co2Volumes, 20) };
}

/** Bench trial to batch: grams per glass scale with the volumes. */
export const scaleFromGlassG = (gramsInGlass: number, glassMl: number, batchL: number): number => (gramsInGlass * batchL * 1000) / glassMl;
