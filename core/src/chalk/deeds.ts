import { MEAN_HONEY } from '../ingredients/index.ts';
import { nutrientOf } from '../record/index.ts';
import { Refusal, gPerL, massG, mgPerL, say, tempC, volumeL } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { SORBIC_IN_SORBATE } from '../preservatives/index.ts';
import { GLUCOSE_IN_HONEY, HONEY_BUFFER, abvOf, loses, saturatedCo2, sweetens } from './law.ts';
import type { Must } from './law.ts';
import type { Hidden } from './hidden.ts';

/** What a learner may do; each has a letter of its own in a run's address. */
export const DEEDS = {
  read: 'r',
  ph: 'p',
  look: 'l',
  degas: 'd',
  shake: 'e',
  feed: 'f',
  warm: 'w',
  rouse: 'o',
  acid: 'j',
  base: 'b',
  restart: 's',
  rack: 'k',
  sulfite: 'u',
  sorbate: 'v',
  heat: 'h',
  honey: 'y',
  bottle: 'm',
  prime: 't',
  zero: 'z',
} as const;
export type DeedKind = keyof typeof DEEDS;

/** At an hour after the pitch; `amount` in g, °C, mg/L or g/L, by what it is. */
export interface Deed {
  hour: number;
  does: DeedKind;
  amount?: number;
}

/** What an amount may be, and where it has none. */
export const AMOUNTS: Partial<Record<DeedKind, { low: number; high: number; usual: number }>> = {
  feed: { low: 0.5, high: 60, usual: 6 },
  warm: { low: 5, high: 35, usual: 22 },
  acid: { low: 1, high: 200, usual: 15 },
  base: { low: 0.5, high: 40, usual: 3 },
  sulfite: { low: 5, high: 300, usual: 50 },
  sorbate: { low: 50, high: 400, usual: 200 },
  honey: { low: 10, high: 3000, usual: 200 },
  prime: { low: 1, high: 40, usual: 8 },
};
const KINDS = Object.fromEntries(Object.entries(DEEDS).map(([does, letter]) => [letter, does as DeedKind]));
const MOST_DEEDS = 400;

/** Deeds as text for an address, such as “24f6 48d 48f6”. */
export const deedsAsText = (deeds: readonly Deed[]): string =>
  deeds.map(({ hour, does, amount }) => `${Math.round(100 * hour) / 100}${DEEDS[does]}${amount ?? ''}`).join(' ');

/** The same, read; in order of their hours. @throws Refusal for what is no run */
export function deedsFromText(text: string): Deed[] {
  const words = text.split(/\s+/).filter((word) => word !== '');
  if (words.length > MOST_DEEDS) throw new Refusal(`A run has at most ${MOST_DEEDS} deeds.`);
  const deeds = words.map((word): Deed => {
    const [, hour, letter = '', amount] = /^(\d{1,5}(?:\.\d{1,2})?)([a-z])(\d{1,5}(?:\.\d{1,2})?)?$/.exec(word) ?? [];
    const does = KINDS[letter];
    if (hour === undefined || does === undefined) throw new Refusal(`“${word}” is no deed of a run.`);
    const limits = AMOUNTS[does];
    const given = amount === undefined ? undefined : Number(amount);
    if (limits !== undefined && (given === undefined || given < limits.low || given > limits.high))
      throw new Refusal(`“${word}” does too little or too much of it.`);
    return { hour: Number(hour), does, ...(limits === undefined || given === undefined ? {} : { amount: given }) };
  });
  return deeds.sort((a, b) => a.hour - b.hour);
}

/** What came of a deed at once, beside what was meant. */
export interface Came {
  sentence: Sentence;
  lostL: number;
}

/** Foam that gas makes when it is let go at once, as a share of the must for each time more gas than it can hold (our estimates). */
const ERUPTS = { shaken: 0.5, powder: 0.6, slowly: 0.1 } as const;

/** Lets gas go; what foams beyond the vessel is lost. @returns liters */
function letsGo(must: Must, foams: number, headspaceL: number, share: number): number {
  const held = must.co2G / must.volumeL / saturatedCo2(must.tempC);
  const foamL = must.volumeL * foams * Math.max(0, held - 0.9) * (1 + must.pulp);
  const lostL = Math.min(0.3 * must.volumeL, 0.5 * Math.max(0, foamL - headspaceL));
  const out = Math.max(0, must.co2G - saturatedCo2(must.tempC) * must.volumeL * (1 - 0.3 * share)) * share;
  must.co2G -= out;
  must.goneCo2G += out;
  if (lostL > 0) loses(must, lostL);
  must.foamL = foamL;
  return lostL;
}

/** What deeds do, in figures: all of them our own estimates. */
const ROUSED = 0.6;
const FREE_SO2 = 0.6;
/** What a racking leaves behind, as a share. */
export const LEFT_ON_LEES = 0.03;
/** As a mead is heated here: it kills all that lives. */
export const HELD = { tempC: 63, minutes: 30 } as const;
/** Sudden acid kills some of what works. */
const ACID_PH_PER_G_L = 0.18;
const BASE_PH_PER_G_L = 0.42;
const STARTER = { living: 0.9, carriers: 0.9, bearsAbv: 17 } as const;

const erupted = (lostL: number): Came => ({ sentence: say`It erupted: ${volumeL(lostL)} on the floor.`, lostL });

/** Does it to the must. @returns what came of it that was not meant; null where nothing did */
export function acts(hidden: Hidden, { does, amount = 0 }: Deed): Came | null {
  const { must, setting } = hidden;
  const headspaceL = setting.headspaceL(must);
  const perL = amount / must.volumeL;
  switch (does) {
    case 'read':
    case 'ph':
    case 'look':
    case 'zero':
      return null;
    case 'degas':
    case 'shake': {
      const lostL = letsGo(must, does === 'shake' ? ERUPTS.shaken : ERUPTS.slowly, headspaceL, 0.9);
      return lostL > 0.02 ? erupted(lostL) : null;
    }
    case 'feed': {
      const { ammoniumN, aminoN } = nutrientOf({ source: 'complex' });
      const lostL = letsGo(must, ERUPTS.powder, headspaceL, 0.5);
      const brings = 1000 * perL * (ammoniumN + aminoN) * hidden.nutrientShare;
      /** Past two thirds of its strength a cell takes up no more ammonium. */
      const strength = abvOf(must) / setting.bearsAbv;
      must.nitrogen += brings * Math.max(0, Math.min(1, (0.75 - strength) / 0.15));
      must.ammoniumShare = 0.6;
      return lostL > 0.02 ? erupted(lostL) : null;
    }
    case 'warm':
      hidden.roomC = () => amount;
      return null;
    case 'rouse': {
      const lostL = letsGo(must, ERUPTS.slowly, headspaceL, 0.7);
      must.living += ROUSED * must.resting;
      must.resting *= 1 - ROUSED;
      must.glucoseG += GLUCOSE_IN_HONEY * hidden.floorG;
      must.fructoseG += (1 - GLUCOSE_IN_HONEY) * hidden.floorG;
      hidden.floorG = 0;
      return lostL > 0.02 ? erupted(lostL) : null;
    }
    case 'acid':
      must.ph = Math.max(2.6, must.ph - ((ACID_PH_PER_G_L * HONEY_BUFFER) / must.buffer) * perL);
      must.living *= Math.exp(-0.12 * perL);
      return null;
    case 'base':
      must.ph = Math.min(6, must.ph + ((BASE_PH_PER_G_L * HONEY_BUFFER) / must.buffer) * perL);
      return null;
    case 'restart':
      must.living += STARTER.living;
      must.carriers = STARTER.carriers;
      must.sterol = Math.max(must.sterol, 0.5);
      setting.bearsAbv = Math.max(setting.bearsAbv, STARTER.bearsAbv);
      return null;
    case 'rack': {
      loses(must, LEFT_ON_LEES * must.volumeL);
      must.leesG *= 0.1;
      must.resting *= 0.15;
      must.living *= 0.6;
      must.sulfur *= 0.5;
      return null;
    }
    case 'sulfite':
      must.so2 += FREE_SO2 * amount;
      return null;
    case 'sorbate':
      must.sorbic += SORBIC_IN_SORBATE * amount;
      return null;
    case 'heat':
      must.living *= 1e-9;
      must.resting *= 1e-9;
      return null;
    case 'honey':
      sweetens(must, amount, MEAN_HONEY.moisture, MEAN_HONEY.unfermentable);
      return null;
    case 'prime':
      must.glucoseG += amount * must.volumeL;
      must.living += 0.002 + 0.1 * must.resting;
      must.isClosed = true;
      return null;
    case 'bottle':
      must.isClosed = true;
      return null;
  }
}

/** As a log would say it. */
export function deedTold({ does, amount = 0 }: Deed): Sentence {
  switch (does) {
    case 'degas':
      return ['degassed slowly'];
    case 'shake':
      return ['shaken until it foamed'];
    case 'feed':
      return say`fed ${massG(amount)} of nutrient`;
    case 'warm':
      return say`put where it is ${tempC(amount)}`;
    case 'rouse':
      return ['roused from the floor'];
    case 'acid':
      return say`${massG(amount)} of fruit acid went in`;
    case 'base':
      return say`${massG(amount)} potassium carbonate`;
    case 'restart':
      return ['a lively starter of strong yeast went in'];
    case 'rack':
      return ['racked off its lees'];
    case 'sulfite':
      return say`sulfite, ${mgPerL(amount)}`;
    case 'sorbate':
      return say`sorbate, ${mgPerL(amount)}`;
    case 'heat':
      return say`held at ${tempC(HELD.tempC)} for half an hour`;
    case 'honey':
      return say`sweetened with ${massG(amount)} honey`;
    case 'bottle':
      return ['bottled still, in wine bottles'];
    case 'prime':
      return say`primed with ${gPerL(amount)} and bottled in used beer bottles`;
    case 'read':
      return ['read'];
    case 'ph':
      return ['measured its pH'];
    case 'look':
      return ['looked, listened and smelled'];
    case 'zero':
      return ['tried the hydrometer in water'];
  }
}
