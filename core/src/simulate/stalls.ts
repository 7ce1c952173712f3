import { MEAN_HONEY } from '../ingredients/index.ts';
import type { EventContent, StallCauseId } from '../record/index.ts';
import { plannedFrom, pourOf } from '../must/index.ts';
import { seeded } from '../numerics/index.ts';
import { yeastType } from '../yeast/index.ts';
import { fermentingOf, play } from './play.ts';
import type { Play, Played, Timed } from './play.ts';
import type { World } from './world.ts';

/** What a simulated case really is. */
export interface StallCase {
  id: string;
  /** The cause of its stop, or what it is instead of stuck. */
  truth: StallCauseId | 'lag' | 'slow' | 'tolerance' | 'malt' | 'dry' | 'misread' | 'unmixed' | 'long tail';
  isStuck: boolean;
  played: Played;
}

const START = Date.UTC(2026, 3, 1, 18);
const DAY = 24;
const honey = (massG: number): EventContent => ({
  kind: 'honey',
  payload: { name: 'linden', massG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
});
const water = (volumeL: number): EventContent => ({ kind: 'water', payload: { volumeL } });
const yeast = (yeastId: string): EventContent => ({ kind: 'yeast', payload: { yeastId, name: yeastId, massG: 5 } });
const ingredient = (rowId: string, massG: number): EventContent => pourOf(plannedFrom(rowId, massG), massG);

/** Fed well: three doses for some 6 L, and what they bring a liter. */
const FED: readonly Timed[] = [24, 48, 72].map((hour, i): Timed => [
  hour,
  { kind: 'nutrient', payload: { source: 'dap', massG: 3.2, dose: i + 1 } },
]);
const ORGANIC: readonly Timed[] = [24, 48, 72].map((hour, i): Timed => [
  hour,
  { kind: 'nutrient', payload: { source: 'organic', massG: 8, dose: i + 1 } },
]);
const FEEDS = [24, 48, 72].map((hour) => ({ hour, nitrogenMgPerL: 165 }));

const everyDays = (days: number, until: number, from = days): number[] =>
  Array.from({ length: Math.floor((until - from) / days) + 1 }, (_, i) => Math.round((from + i * days) * DAY));

interface Sketch {
  truth: StallCase['truth'];
  isStuck?: boolean;
  yeastId?: string;
  recipe?: readonly EventContent[];
  world?: Partial<World>;
  play?: Partial<Play>;
  isFed?: boolean;
}

const falling = (from: number, to: number, startDay: number, days: number) => (hour: number) =>
  from + (to - from) * Math.min(1, Math.max(0, (hour / DAY - startDay) / days));

/** Twelve that are stuck, two by each of six causes, and twenty-eight that are not. */
const SKETCHES: readonly Sketch[] = [
  ...[9, 10].map((cold): Sketch => ({ truth: 'cold', isStuck: true, yeastId: 'strong', world: { tempC: falling(21, cold, 3, 5) } })),
  ...[1, 0.85].map((vigor): Sketch => ({ truth: 'nitrogen', isStuck: true, yeastId: 'strong', isFed: false, world: { vigor } })),
  ...[2.72, 2.78].map((sour): Sketch => ({
    truth: 'sour',
    isStuck: true,
    world: { ph: falling(3.5, sour, 1, 4) },
    play: { phAtH: [1, 7 * DAY, 9 * DAY] },
  })),
  {
    truth: 'addition',
    isStuck: true,
    world: { shocks: [{ hour: 6 * DAY, kills: 0.995 }] },
    play: { deeds: [[5.5 * DAY, ingredient('acid-tartaric', 25)]] },
  },
  {
    truth: 'addition',
    isStuck: true,
    world: { shocks: [{ hour: 7 * DAY, kills: 0.995 }], vigor: 0.8 },
    play: { deeds: [[6.3 * DAY, ingredient('acid-tartaric', 30)]] },
  },
  ...[0.97, 0.985].map((preservative): Sketch => ({
    truth: 'preservative',
    isStuck: true,
    recipe: [honey(1300), ingredient('juice-apple', 2500), water(2.4)],
    world: { preservative },
  })),
  ...[36, 38].map((hot): Sketch => ({
    truth: 'heat',
    isStuck: true,
    world: { tempC: (hour) => (hour > 4 * DAY && hour < 7 * DAY ? hot : 23), shocks: [{ hour: 6 * DAY, kills: 0.98 }] },
  })),
  ...[38, 48, 56, 64].map((lagH): Sketch => ({ truth: 'lag', world: { lagH }, play: { readAtH: [20, 40, 60, 69, 96, 120] } })),
  ...[13, 13.5, 14, 14.5].map((temp): Sketch => ({ truth: 'slow', world: { tempC: () => temp } })),
  ...[13.4, 13.8, 14.2, 14.6].map((toleranceAbv): Sketch => ({
    truth: 'tolerance',
    recipe: [honey(2500), water(4.2)],
    world: { toleranceAbv, nitrogenMgPerL: 80 },
  })),
  ...[0.93, 0.94, 0.95, 0.96].map((sugarScale): Sketch => ({
    truth: 'malt',
    recipe: [honey(700), ingredient('malt-dry', 1000), water(5)],
    play: { sugarScale },
  })),
  ...[0.8, 0.9, 1, 1.1, 1.2, 1.3].map((vigor): Sketch => ({ truth: 'dry', recipe: [honey(1500), water(5)], world: { vigor } })),
  ...[5, 8].map((day): Sketch => ({
    truth: 'misread',
    recipe: [honey(1700), water(4.9)],
    play: { slips: { [day * DAY]: 0.012 }, readAtH: everyDays(1, 30) },
  })),
  ...[1.08, 1.085].map((sg): Sketch => ({
    truth: 'unmixed',
    recipe: [honey(1900), water(4.7), { kind: 'reading', payload: { sg, tempC: 20 } }],
  })),
  ...[0.6, 0.65].map((vigor): Sketch => ({ truth: 'long tail', recipe: [honey(1900), water(4.7)], world: { vigor } })),
];

/** The forty cases; the same seed gives the same ones. */
export function stallCases(seed = 7): StallCase[] {
  return SKETCHES.map((sketch, i): StallCase => {
    const { truth, isStuck = false, yeastId = 'allround', isFed = true } = sketch;
    const type = yeastType(yeastId);
    const rng = seeded(seed + i);
    const world: Omit<World, 'sugarGPerL'> = {
      nitrogenMgPerL: 20,
      pitchGPerL: 0.8,
      toleranceAbv: type.toleranceAbv.value,
      yeastTempC: type.tempC,
      phFloor: type.phFloor,
      tempC: () => 20,
      ph: () => 3.5,
      feeds: isFed ? FEEDS : [],
      shocks: [],
      preservative: 0,
      lagH: 14,
      vigor: 1,
      ...sketch.world,
    };
    const base = sketch.recipe ?? [honey(2100), water(4.6)];
    const deeds = [...(isFed ? [...FED, ...ORGANIC] : []), ...(sketch.play?.deeds ?? [])];
    const plan: Play = {
      startAt: START,
      readAtH: everyDays(1.5, 45),
      phAtH: [1],
      ...sketch.play,
      recipe: [...base, yeast(yeastId)],
      deeds,
    };
    return { id: `${truth} ${i + 1}`, truth, isStuck, played: play(fermentingOf(world), plan, rng) };
  });
}
