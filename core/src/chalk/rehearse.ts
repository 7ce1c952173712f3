import { HONEY_NITROGEN } from '../nitrogen/index.ts';
import { normal } from '../numerics/index.ts';
import { RANGE_SD } from '../quantities/index.ts';
import { yeastType } from '../yeast/index.ts';
import { drawsOf } from './draws.ts';
import { DRY_G_PER_L, STEP_H, isSpent, passes, sugarGPerL } from './law.ts';
import { hiddenOf } from './scene.ts';
import type { Scene } from './scene.ts';

const DAY_H = 24;
const LAST_DAY = 90;
/** It drags where it takes longer than this, days (our choice). */
export const DRAGS_DAYS = 60;
/** So near to the last it is at its end. */
const NEAR_END_G_PER_L = 4;
/** What still falls so fast on the last day drags; what does not stands. */
const MOVES_G_PER_L_DAY = 0.15;
const VIGOR_SD = 0.2;

/** A plan as it is to be rehearsed. */
export interface Rehearsed {
  honeyG: number;
  waterL: number;
  /** mg/L of nitrogen that the plan feeds, and when. */
  feeds: readonly { hour: number; nitrogenMgPerL: number }[];
  /** mg/L that fruit and all else bring. */
  broughtNMgPerL: number;
  yeastId: string;
  pitchG: number;
  vessel: Scene['vessel'];
  /** What the cellar’s readings say of its rooms, °C. */
  roomC: { low: number; high: number };
  /** A room that is kept at a temperature for so many days first. */
  keptWarm?: { tempC: number; days: number };
}

/** A hundred rooms and yeasts: how it may go, day by day. */
export interface Rehearsal {
  /** Of each: g/L of sugar left, by day. */
  curves: Float64Array[];
  /** Days until its end of those that come to one: one in ten, the middle, nine in ten; null where fewer than half do. */
  days: { low: number; value: number; high: number } | null;
  /** How many come to their end late, and how many stand with sugar that their yeast could still bear. */
  drags: number;
  sticks: number;
  of: number;
}

/**
 * Lets a plan ferment in so many rooms and with so many yeasts, each within its range. The same seed draws the same ones, so that two
 * plans differ by what was changed and by nothing else.
 */
export function rehearse(plan: Rehearsed, seed: number, of = 100): Rehearsal {
  const rng = drawsOf(seed);
  const rooms = Array.from({ length: of }, (): Room => ({
    seed: Math.floor(1e6 * rng()),
    warm: rng(),
    bears: normal(rng),
    vigor: normal(rng),
  }));
  const went = rooms.map((room) => oneRoom(plan, room));
  const days = went.flatMap(({ endDay }) => (endDay === null ? [] : [endDay])).sort((a, b) => a - b);
  const at = (share: number): number => days[Math.min(days.length - 1, Math.floor(share * days.length))] ?? 0;
  return {
    curves: went.map(({ curve }) => curve),
    days: days.length < of / 2 ? null : { low: at(0.1), value: at(0.5), high: at(0.9) },
    drags: days.filter((day) => day > DRAGS_DAYS).length,
    sticks: went.filter(({ endDay }) => endDay === null).length,
    of,
  };
}

/** One of the hundred, as draws. */
interface Room {
  seed: number;
  /** 0 the coldest of the cellar, 1 the warmest. */
  warm: number;
  bears: number;
  vigor: number;
}

function oneRoom(plan: Rehearsed, { seed, warm, bears, vigor }: Room): { curve: Float64Array; endDay: number | null } {
  const { toleranceAbv } = yeastType(plan.yeastId);
  const roomC = plan.roomC.low + (plan.roomC.high - plan.roomC.low) * warm;
  const hidden = hiddenOf({ ...plan, honey: 'linden', seed, roomC, trouble: null, depth: 2 });
  const { must, setting } = hidden;
  setting.bearsAbv = toleranceAbv.value + ((toleranceAbv.high - toleranceAbv.low) / (2 * RANGE_SD)) * bears;
  setting.vigor = Math.exp(VIGOR_SD * vigor);
  must.nitrogen = HONEY_NITROGEN.value + plan.broughtNMgPerL;
  must.ammoniumShare = 0.5;
  const { keptWarm } = plan;
  const feeds = [...plan.feeds];
  const curve = new Float64Array(LAST_DAY + 1);
  for (let step = 0; step <= (LAST_DAY * DAY_H) / STEP_H; step++) {
    const hour = step * STEP_H;
    if (hour % DAY_H === 0) curve[hour / DAY_H] = sugarGPerL(must);
    while ((feeds[0]?.hour ?? Infinity) <= hour) must.nitrogen += feeds.shift()?.nitrogenMgPerL ?? 0;
    const isKept = keptWarm !== undefined && hour < keptWarm.days * DAY_H;
    passes(must, setting, isKept ? Math.max(keptWarm.tempC, hidden.roomC(hour)) : hidden.roomC(hour), hidden.tauH);
  }
  const left = curve.at(-1) ?? 0;
  if (left > DRY_G_PER_L && !isSpent(must, setting)) {
    const moves = (curve.at(-8) ?? left) - left > 7 * MOVES_G_PER_L_DAY;
    return { curve, endDay: moves ? LAST_DAY : null };
  }
  return { curve, endDay: curve.findIndex((sugar) => sugar < Math.max(DRY_G_PER_L, left + NEAR_END_G_PER_L)) };
}
