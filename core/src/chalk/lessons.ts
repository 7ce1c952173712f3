import type { Vessel } from '../vessel/index.ts';
import { drawsOf } from './draws.ts';
import type { Scene } from './scene.ts';
import { TROUBLES } from './troubles.ts';
import type { Depth, TroubleId } from './troubles.ts';

type LessonId = 'feeding' | 'slow or stuck' | 'finished or quiet' | 'warm sample' | 'late acid' | 'before honey' | 'priming';

/** Two minutes of play, for one thing that makers learn by losing batches. */
interface Lesson {
  id: LessonId;
  name: string;
  aim: string;
  /** What to look for while one plays. */
  notice: readonly string[];
  scene: Scene;
  /** Hours after the pitch at which one comes to it. */
  beginsAtH: number;
  endsAtH: number;
}

const CARBOY: Vessel = { kind: 'carboy', name: '10 L carboy', capacityL: 10 };
const PLAIN: Scene = {
  seed: 11,
  honey: 'linden',
  honeyG: 2300,
  waterL: 6.1,
  yeastId: 'allround',
  pitchG: 5,
  vessel: CARBOY,
  roomC: 20,
  trouble: null,
  depth: 1,
};
const DAY_H = 24;

export const LESSONS: readonly Lesson[] = [
  {
    id: 'feeding',
    name: 'Feeding by the sugar',
    aim: 'Bring it dry within five weeks, without a smell and without feeding past the third break.',
    notice: [
      'Degas slowly before each powder, and see what comes of leaving it.',
      'Fed in the first days it runs; fed late, the same grams do nothing.',
      'A smell of sulfur comes before the slowing.',
    ],
    scene: { ...PLAIN, yeastId: 'strong', seed: 3 },
    beginsAtH: 0,
    endsAtH: 45 * DAY_H,
  },
  {
    id: 'slow or stuck',
    name: 'Slow, or stuck?',
    aim: 'Find out whether it stands or creeps, and what holds it, before you do anything to it.',
    notice: ['Two readings some days apart tell more than a silent airlock.', 'One change at a time, and a reading after it.'],
    scene: { ...PLAIN, seed: 21, trouble: 'shutter', depth: 2 },
    beginsAtH: 0,
    endsAtH: 60 * DAY_H,
  },
  {
    id: 'finished or quiet',
    name: 'Finished, or only quiet?',
    aim: 'Say by readings alone when it has ended; then bottle it.',
    notice: [
      'The airlock says nothing here, from the first day on.',
      'Readings two weeks apart on one level prove an end; one reading proves none.',
      'Bottle it too early once, and read why the cellar refuses what you could do here.',
    ],
    scene: { ...PLAIN, seed: 8, trouble: 'leaking lid' },
    beginsAtH: 0,
    endsAtH: 90 * DAY_H,
  },
  {
    id: 'warm sample',
    name: 'What the glass really says',
    aim: 'Find what is wrong with what you read.',
    notice: ['Try the hydrometer in water.', 'A warm sample reads low; the book corrects it where the temperature stands beside it.'],
    scene: { ...PLAIN, seed: 14, trouble: 'slipped scale', roomC: 24 },
    beginsAtH: 0,
    endsAtH: 70 * DAY_H,
  },
  {
    id: 'late acid',
    name: 'Acid fruit, late',
    aim: 'Put fruit acid in while it works, a lot or a little, early or late, and see what the yeast makes of it.',
    notice: [
      'Sudden acid kills what works; a pH below three holds back what lives.',
      'Potassium carbonate brings a pH back, half of it first.',
    ],
    scene: { ...PLAIN, seed: 17 },
    beginsAtH: 0,
    endsAtH: 60 * DAY_H,
  },
  {
    id: 'before honey',
    name: 'Stable before honey',
    aim: 'Let it end, stabilize it, sweeten it, and bottle it so that it still lies there after a year.',
    notice: [
      'Sorbate keeps yeast from budding; it does not stop what works.',
      'Sulfite without sorbate, or sorbate without sulfite, is half of it.',
      'Wait between the two, and read again before glass.',
    ],
    scene: { ...PLAIN, seed: 26, honeyG: 1900, yeastId: 'ale' },
    beginsAtH: 0,
    endsAtH: 365 * DAY_H,
  },
  {
    id: 'priming',
    name: 'Priming, and what glass bears',
    aim: 'Prime a mead that has ended for used beer bottles; then do it too early, or too much.',
    notice: ['A gram of sugar in a liter makes about a quarter of a volume of gas.', 'What had not ended adds its own sugar to yours.'],
    scene: { ...PLAIN, seed: 30, honeyG: 1500, waterL: 6.6, yeastId: 'allround' },
    beginsAtH: 0,
    endsAtH: 150 * DAY_H,
  },
];

const HONEYS = ['linden', 'heather', 'acacia', 'forest'] as const;
const YEASTS = ['allround', 'white', 'strong'] as const;
export const DRILL_ENDS_AT_H = 70 * DAY_H;

/** A must with a hidden trouble, by its seed; now and then none. */
export function drillOf(seed: number, depth: Depth): Scene {
  const rng = drawsOf(seed);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(rng() * all.length)] as T;
  const trouble: TroubleId | null = depth > 1 && rng() < 0.08 ? null : pick(TROUBLES).id;
  return {
    seed,
    honey: pick(HONEYS),
    honeyG: Math.round((1900 + 900 * rng()) / 50) * 50,
    waterL: Math.round(10 * (5.6 + 0.8 * rng())) / 10,
    yeastId: pick(YEASTS),
    pitchG: 5,
    vessel: CARBOY,
    roomC: Math.round(18 + 4 * rng()),
    trouble,
    depth,
  };
}
