import { eventsAt, fold, sgAtShare } from '../record/index.ts';
import type { BatchEvent, EventContent, Ledger } from '../record/index.ts';
import { correctedSg } from '../liquid/index.ts';
import { normal } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { sugarByHour } from './world.ts';
import { LAG_H } from '../watch/index.ts';
import type { World } from './world.ts';

export type Timed = readonly [hour: number, content: EventContent];

/** What a maker does with a batch that ferments by a world of its own. */
export interface Play {
  startAt: number;
  /** What is poured and pitched, all at hour 0. */
  recipe: readonly EventContent[];
  /** What else is written down. */
  deeds: readonly Timed[];
  readAtH: readonly number[];
  /** Readings of pH, at these hours. */
  phAtH?: readonly number[];
  /** The must holds so much less sugar than its ingredients’ figures say. */
  sugarScale?: number;
  /** What a reading shows beyond the truth, SG: a warm sample, an instrument. */
  slips?: Readonly<Record<number, number>>;
}

/** Who reads, and with what. */
export interface Reader {
  /** How the hydrometer scatters, as a standard deviation in SG, before it is read to so much. */
  sd: number;
  readTo: number;
  /** Of the thermometer, °C; and how often it is looked at, 0 to 1. */
  tempSd: number;
  notesTemp: number;
}
const CAREFUL: Reader = { sd: 0.0007, readTo: 0.001, tempSd: 0.3, notesTemp: 1 };

/** What ferments: the sugar left at each full hour from so much on, and how it stands meanwhile. */
export interface Fermenting {
  sugarByHour: (sugarGPerL: number, hours: number) => Float64Array;
  tempC: (hour: number) => number;
  ph: (hour: number) => number;
}
export const fermentingOf = (world: Omit<World, 'sugarGPerL'>): Fermenting => ({
  ...world,
  sugarByHour: (sugarGPerL, hours) => sugarByHour({ ...world, sugarGPerL }, hours),
});

export interface Played {
  events: BatchEvent[];
  /** Sugar really left, g/L, at each hour. */
  sugarGPerL: Float64Array;
  /** The hour at which it really stopped with sugar left, or null. */
  stoppedAtH: number | null;
}

/** Slower than this with this much left, it stands still. */
const STANDS_G_PER_L_DAY = 0.4;
const LEFT_G_PER_L = 15;

/** The first hour from which it stands still for good; a must that never begins is late only after its lag. */
function stopOf(sugar: Float64Array): number | null {
  if ((sugar.at(-1) ?? 0) < LEFT_G_PER_L) return null;
  const perDay = (hour: number): number => (sugar[hour - 24] ?? 0) - (sugar[hour] ?? 0);
  let hour = sugar.length - 1;
  while (hour >= 24 && perDay(hour) < STANDS_G_PER_L_DAY) hour--;
  return hour === sugar.length - 1 ? null : Math.max(LAG_H, hour - 12);
}

/** Plays a batch: its world ferments, its maker reads and writes. The same seed gives the same record. */
export function play(
  must: Fermenting,
  { startAt, recipe, deeds, readAtH, phAtH = [], sugarScale = 1, slips = {} }: Play,
  rng: Rng,
  { sd, readTo, tempSd, notesTemp }: Reader = CAREFUL,
): Played {
  const pitched: Ledger = fold(
    eventsAt(
      startAt,
      recipe.map((content) => [0, content]),
    ),
  );
  const basis = pitched.history.pitch?.sugarGPerL ?? 0;
  const lastH = Math.max(...readAtH, ...phAtH, 1);
  const sugarGPerL = must.sugarByHour(basis * sugarScale, Math.ceil(lastH) + 24);
  const readings = readAtH.map((hour): Timed => {
    const eaten = basis * sugarScale - (sugarGPerL[Math.round(hour)] ?? 0);
    const shown = sgAtShare(pitched, eaten / basis) + sd * normal(rng) + (slips[hour] ?? 0);
    const tempC = Math.max(0, Math.round(10 * (must.tempC(hour) + tempSd * normal(rng))) / 10);
    const hasTemp = slips[hour] === undefined && (notesTemp >= 1 || rng() < notesTemp);
    /** What the glass shows at that temperature, so that correcting it gives the gravity back. */
    const onGlass = 2 * shown - correctedSg(shown, tempC, 20);
    return [
      hour,
      { kind: 'reading', payload: { sg: Math.round(Math.round(onGlass / readTo) * readTo * 1e4) / 1e4, ...(hasTemp ? { tempC } : {}) } },
    ];
  });
  const phs = phAtH.map((hour): Timed => [hour, { kind: 'reading', payload: { ph: Math.round(100 * must.ph(hour)) / 100 } }]);
  const rows = [...recipe.map((content): Timed => [0, content]), ...[...deeds, ...readings, ...phs].sort((a, b) => a[0] - b[0])];
  return { events: eventsAt(startAt, rows), sugarGPerL, stoppedAtH: stopOf(sugarGPerL) };
}
