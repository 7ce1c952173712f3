import { HONEY_NITROGEN } from '../nitrogen/index.ts';
import { sgAtShare } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { correctedSg } from '../liquid/index.ts';
import { normal } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import type { FloatPoint } from '../float/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { sugarByHour } from './world.ts';

const DAY_H = 24;

/** What happens to the must in which the simulated float swims. */
export type FloatStory = 'falls' | 'cold';
export const FLOAT_STORIES: readonly { id: FloatStory; told: string }[] = [
  { id: 'falls', told: 'ferments as it should' },
  { id: 'cold', told: 'stops in the cold' },
];

/** What a cheap float does wrong; each can be left out. */
export interface FloatWrongs {
  /** Standard deviation of a reading, SG. */
  noiseSg: number;
  /** It shows so much more than the truth, SG. */
  offsetSg: number;
  /** Of its readings this share never arrives, in stretches. */
  gaps: number;
  /** Of its readings this share is thrown off by foam. */
  jumps: number;
  /** From this hour on it hangs on the wall and shows one number; null while it swims. */
  stuckFromH: number | null;
}
export const USUAL_WRONGS: FloatWrongs = { noiseSg: 0.0015, offsetSg: 0.002, gaps: 0.05, jumps: 0.01, stuckFromH: null };

export interface FloatPlay {
  story: FloatStory;
  /** Hours after the pitch. */
  fromH: number;
  toH: number;
  everyMin: number;
  /** From this hour on the room is kept at 20 °C; null while nobody warms it. */
  warmedAtH: number | null;
  wrongs: FloatWrongs;
}

const ROOM_C = 20;
const COLD = { fromDay: 3, days: 3, tempC: 8 } as const;
const STRETCH_H = 5;

function roomC({ story, warmedAtH }: FloatPlay, hour: number): number {
  const share = story === 'cold' ? Math.min(1, Math.max(0, (hour / DAY_H - COLD.fromDay) / COLD.days)) : 0;
  const cold = ROOM_C + (COLD.tempC - ROOM_C) * share;
  return warmedAtH !== null && hour > warmedAtH ? Math.min(ROOM_C, cold + (hour - warmedAtH) / 4) : cold;
}

/**
 * What a simulated float in this batch sends: a must that ferments by a world of its own, seen by an instrument with faults.
 * The same seed gives the same readings, whichever stretch of them is asked for.
 *
 * @param ledger of a batch as it was pitched; null comes back before the pitch
 * @param rng drawn from for each reading from the pitch on
 */
export function floatReadings(ledger: Ledger, play: FloatPlay, rng: Rng): FloatPoint[] | null {
  const { pitch } = ledger.history;
  if (pitch === null) return null;
  const { toleranceAbv, tempC, phFloor } = yeastOf(pitch);
  const sugar = sugarByHour(
    {
      sugarGPerL: pitch.sugarGPerL,
      nitrogenMgPerL: HONEY_NITROGEN.value + pitch.broughtNMgPerL,
      pitchGPerL: pitch.massG / Math.max(0.1, pitch.volumeL),
      toleranceAbv: toleranceAbv.value,
      yeastTempC: tempC,
      phFloor,
      tempC: (hour) => roomC(play, hour),
      ph: () => 3.5,
      feeds: [24, 48, 72].map((hour) => ({ hour, nitrogenMgPerL: 70 })),
      shocks: [],
      preservative: 0,
      lagH: 18,
      vigor: 1,
    },
    Math.ceil(play.toH) + 1,
  );
  const { noiseSg, offsetSg, gaps, jumps, stuckFromH } = play.wrongs;
  const points: FloatPoint[] = [];
  let hung: number | null = null;
  let silentUntilH = 0;
  for (let minute = 0; minute <= play.toH * 60; minute += play.everyMin) {
    const hour = minute / 60;
    const [noise, gap, jump] = [normal(rng), rng(), rng()];
    if (hour >= silentUntilH && gap < (gaps * play.everyMin) / 60 / STRETCH_H) silentUntilH = hour + STRETCH_H;
    if (hour < play.fromH || hour < silentUntilH) continue;
    const whole = Math.floor(hour);
    const left = (sugar[whole] ?? 0) + ((sugar[whole + 1] ?? 0) - (sugar[whole] ?? 0)) * (hour - whole);
    const warmth = roomC(play, hour);
    const truth = sgAtShare(ledger, 1 - left / pitch.sugarGPerL);
    const shown = 2 * truth - correctedSg(truth, warmth, 20) + offsetSg + noiseSg * noise + (jump < jumps ? 0.03 : 0);
    if (stuckFromH !== null && hour >= stuckFromH) hung ??= shown;
    points.push({
      at: pitch.at + Math.round(minute * 60_000),
      sg: Math.round(1e4 * Math.min(1.2, Math.max(0.97, hung ?? shown))) / 1e4,
      tempC: Math.round(10 * (warmth + 0.1 * noise)) / 10,
    });
  }
  return points;
}
