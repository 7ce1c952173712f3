import { co2PerExtract, ferment, fermentedFromSg, liquidFromMeasured, mix } from '../liquid/index.ts';
import { Refusal, requireWithin } from '../quantities/index.ts';

/** 1 L of CO2 at 0 °C and 1 atm weighs 1.977 g. */
export const CO2_G_PER_VOLUME = 1.977;

/** g of CO2 from 1 g of hexose: 2 × 44.01 / 180.16. */
const CO2_PER_HEXOSE = 0.4886;
const ATM_BAR = 1.01325;

/**
 * Volumes of CO2 left in solution at one atmosphere by the highest temperature since fermentation:
 * 3.0378 − 0.050062 F + 0.00026555 F², the brewers' parabola through solubility data; within 0.02 volumes from 0 to 30 °C.
 */
export function residualCo2Volumes(warmestC: number): number {
  const f = (requireWithin('The warmest temperature', warmestC, 0, 32, '°C') * 9) / 5 + 32;
  return 3.0378 - 0.050062 * f + 0.00026555 * f * f;
}

/** Volumes of CO2 from sugar that ferments in a closed bottle, all of it kept. */
export const co2FromSugarVolumes = (sugarGPerL: number): number => (sugarGPerL * CO2_PER_HEXOSE) / CO2_G_PER_VOLUME;

/** Bunsen coefficient of CO2 in water, volumes per atmosphere (Weiss, Marine Chemistry 2 (1974) 203–215, fresh water). */
function bunsen(tempC: number): number {
  const t = (tempC + 273.15) / 100;
  return 22.414 * Math.exp(-58.0931 + 90.5069 / t + 22.294 * Math.log(t));
}

/** Wine of 12.5 % vol: Henry 1.21 g/(L atm) at 25 °C and −24.8 kJ/mol, from Agabaliantz' tables as champagne's physicists use them. */
const WINE = { abv: 12.5, gPerLAtm: 1.21, atK: 298.15, joulesPerMol: 24_800 } as const;
const GAS_CONSTANT = 8.314;

/**
 * Volumes of CO2 that a mead holds under one atmosphere of it; straight in alcohol between water and wine. Sugar lowers it further, some
 * 4 % for 50 g/L, which is left out. ±7 %.
 * @param tempC 0 to 40 °C @param abv 0 to 22 % vol
 */
export function co2SolubilityVolumes(tempC: number, abv = 0): number {
  const kelvin = requireWithin('The temperature', tempC, 0, 40, '°C') + 273.15;
  requireWithin('The alcohol', abv, 0, 22, '% vol');
  const water = bunsen(tempC);
  const wine = (WINE.gPerLAtm / CO2_G_PER_VOLUME) * Math.exp((WINE.joulesPerMol / GAS_CONSTANT) * (1 / kelvin - 1 / WINE.atK));
  return water + ((wine - water) * abv) / WINE.abv;
}

/**
 * Gauge pressure, bar, of a headspace over liquid that holds these volumes of CO2 (Henry's law in water).
 * A lower estimate: mead dissolves less, so its pressure is up to a quarter higher; air shut in adds up to 1 bar.
 * @param tempC 0 to 30 °C
 */
export function gaugePressureBar(volumes: number, tempC: number): number {
  requireWithin('The temperature', tempC, 0, 30, '°C');
  return Math.max(0, (volumes / bunsen(tempC) - 1) * ATM_BAR);
}

export interface ClosedBottle {
  /** All CO2 in it, per liter of mead. */
  volumes: number;
  tempC: number;
  liquidMl: number;
  headspaceMl: number;
  abv?: number;
  /** °C at which it was closed over air; null where the headspace was purged. */
  airFromC: number | null;
}

/**
 * Gauge pressure in a closed bottle, bar: gas shared between mead (Henry) and headspace (ideal gas), and the air it was closed with.
 * @throws Refusal for a bottle without mead, temperatures outside 0 to 40 °C
 */
export function bottlePressureBar({ volumes, tempC, liquidMl, headspaceMl, abv = 0, airFromC }: ClosedBottle): number {
  requireWithin('The volumes', volumes, 0, 60);
  if (!(liquidMl > 0) || !(headspaceMl >= 0)) throw new Refusal('The bottle must hold some mead, and no less than no air.');
  const kelvin = tempC + 273.15;
  const gas = volumes / (co2SolubilityVolumes(tempC, abv) + ((headspaceMl / liquidMl) * 273.15) / kelvin);
  const air = airFromC === null ? 0 : kelvin / (airFromC + 273.15);
  return (gas + air - 1) * ATM_BAR;
}

/** What a regulator is set to for so many volumes at the keg's temperature, bar; below 0 it gives off gas even so. @param volumes 0 to 6 @param tempC 0 to 30 °C */
export function kegPressureBar(volumes: number, tempC: number, abv = 0): number {
  requireWithin('The volumes', volumes, 0, 6);
  requireWithin('The temperature', tempC, 0, 30, '°C');
  return (volumes / co2SolubilityVolumes(tempC, abv) - 1) * ATM_BAR;
}

/** Volumes at equilibrium under a regulator's gauge pressure. */
export const kegVolumes = (gaugeBar: number, tempC: number, abv = 0): number =>
  (requireWithin('The pressure', gaugeBar, 0, 10, 'bar') / ATM_BAR + 1) * co2SolubilityVolumes(tempC, abv);

/** Volumes that a mead makes in closed glass when its degassed gravity still falls by so many points, by mass balance. @throws Refusal for more points than its extract gives */
export function volumesFromPoints(points: number, sgNow: number, abvNow: number, residualVolumes = 0): number {
  requireWithin('The points', points, 0, 200);
  const liter = liquidFromMeasured(1, sgNow, abvNow);
  return (fermentedFromSg(liter, sgNow - points / 1000) * co2PerExtract()) / CO2_G_PER_VOLUME + residualVolumes;
}

export interface Refermented {
  sg: number;
  abv: number;
  /** Made in a closed bottle, by Balling's yield. */
  volumes: number;
}

/** What an unstabilized sweet mead would become. @param fermentableGPerL per liter now @throws Refusal for more of it than it has extract */
export function ifItFerments(sg: number, abv: number, fermentableGPerL: number): Refermented {
  const liter = liquidFromMeasured(1, sg, abv);
  if (!(fermentableGPerL >= 0 && fermentableGPerL <= liter.extractG))
    throw new Refusal(`There are ${liter.extractG.toFixed(0)} g/L of extract in all; no more of it can ferment.`, 'fermentableGPerL');
  const end = mix(ferment(liter, fermentableGPerL));
  return { sg: end.sg, abv: end.abv, volumes: (fermentableGPerL * co2PerExtract()) / CO2_G_PER_VOLUME };
}
