import { plannedFrom } from '@hollow-bell/core/must';
import type { EventContent } from '@hollow-bell/core/record';
import { DAY_H, fed, pitched, sg } from './recipes.ts';
import type { Recipe } from './recipes.ts';
import { BOTTLES, CLOSURES, LOTS } from './shelf.ts';
import type { BottleName } from './shelf.ts';

/* A year of the lamp room's cellar: what is bottled, drunk, given, and said of it. All invented. */

const fruit = (rowId: string, massG: number, over: Parameters<typeof plannedFrom>[2] = {}) => plannedFrom(rowId, massG, over);

/** So many of each kind, with their closures. */
function bottled(
  counts: Partial<Record<BottleName, number>>,
  more: Omit<Extract<EventContent, { kind: 'bottling' }>['payload'], 'bottles'> = {},
): EventContent {
  const bottles = (Object.keys(counts) as BottleName[]).map((name) => {
    const { id: lotId, detail } = BOTTLES[name];
    const { sizeMl, is: kind, closure } = detail;
    const closureLotId = closure === 'cork' ? CLOSURES.corks.id : closure === 'crown cap' ? CLOSURES.crowns.id : undefined;
    return {
      sizeMl,
      kind,
      closure,
      count: counts[name] ?? 0,
      lotId,
      ...('ratedVolumes' in detail ? { ratedVolumes: detail.ratedVolumes } : {}),
      ...(closureLotId === undefined ? {} : { closureLotId }),
    };
  });
  return { kind: 'bottling', payload: { bottles, ...more } };
}
const out = (end: 'opened' | 'given' | 'burst' | 'leaked', to?: string): EventContent => ({
  kind: 'bottleOut',
  payload: { count: 1, end, ...(to === undefined ? {} : { to }) },
});
type Said = Extract<EventContent, { kind: 'tasting' }>['payload'];
const tasted = (words: string, more: Omit<Said, 'words'> = {}): EventContent => ({ kind: 'tasting', payload: { words, ...more } });
const nextTime = (text: string): EventContent => ({ kind: 'note', payload: { text, mark: 'next time' } });
const opened = (words: string, more: Omit<Said, 'words'> = {}): EventContent[] => [out('opened'), tasted(words, more)];
/** Readings on one level for six weeks and more. */
const ended = (at: number, days: readonly number[], tempC = 18): Recipe['then'] => days.map((day) => [day * DAY_H, sg(at, tempC)]);

export const BOTTLED: Recipe[] = [
  {
    name: 'Gooseberry hydromel',
    honeys: [{ lot: 'borage field', massG: 1120 }],
    others: [{ ...fruit('gooseberry', 700, { pricePerKg: 3.2, bagDays: 8 }), name: 'gooseberries' }],
    waterL: 4.9,
    yeastId: 'allround',
    vessel: '10 L carboy',
    mixedHoursAgo: 61 * DAY_H,
    then: [
      [1, pitched('allround', 3)],
      [25, ...fed(1, 3, 0.8)],
      [49, ...fed(2, 3)],
      [4 * DAY_H, sg(1.03, 20)],
      [8 * DAY_H, { kind: 'strain', payload: { massG: 160, share: 1, of: 'gooseberries' } }],
      [12 * DAY_H, sg(1.002, 19)],
      [26 * DAY_H, sg(0.994, 21)],
      [40 * DAY_H, sg(0.994, 19), { kind: 'rack', payload: { volumeL: 5.75 } }],
      [47 * DAY_H, sg(0.994, 18)],
      [56 * DAY_H, sg(0.994, 18), { kind: 'note', payload: { text: 'bright, print reads through it', mark: 'clear' } }],
    ],
    practice: { stabilizing: 'dry' },
  },
  {
    name: 'Rhubarb, borage',
    honeys: [{ lot: 'borage field', massG: 1050 }],
    others: [{ ...fruit('rhubarb', 1100, { pricePerKg: 1.5, bagDays: 7 }), name: 'rhubarb' }],
    waterL: 3.4,
    yeastId: 'white',
    vessel: '10 L bucket',
    mixedHoursAgo: 376 * DAY_H,
    then: [
      [1, pitched('white', 3)],
      [25, ...fed(1, 3.4, 0.8)],
      [5 * DAY_H, sg(1.04, 19)],
      [11 * DAY_H, sg(1.006, 18)],
      ...ended(0.995, [24, 50, 80, 108]),
      [108.1 * DAY_H, tasted('sharp, green', { who: 'Ada' })],
      [108.2 * DAY_H, bottled({ 'crown 330': 12 })],
      [140 * DAY_H, ...opened('sharp, green, small', { who: 'Ada', drinks: 'ready' })],
      [168 * DAY_H, out('opened')],
      [188 * DAY_H, out('given', 'the signalman’s daughter')],
      [220 * DAY_H, ...opened('strawberry, soft', { who: 'Ada', score: { value: 15, of: 20 } })],
      [240 * DAY_H, out('given', 'plot seven')],
      [265 * DAY_H, out('opened')],
      [366 * DAY_H, ...opened('fading', { who: 'Ada', score: { value: 11, of: 20 } })],
      [366 * DAY_H + 1, nextTime('Half the rhubarb in the last week, not all of it at once.')],
    ],
  },
  {
    name: 'Sour cherry, cool',
    honeys: [{ lot: 'linden avenue', massG: 1350, moisture: 0.171 }],
    others: [
      {
        ...fruit('cherry-sour', 900, { form: 'frozen', bagDays: 8, lotId: LOTS['sour cherries'].id, pricePerKg: 4.5 }),
        name: 'sour cherries',
      },
    ],
    waterL: 3.7,
    yeastId: 'white',
    vessel: '10 L bucket',
    mixedHoursAgo: 330 * DAY_H,
    then: [
      [1, pitched('white', 3)],
      [25, ...fed(1, 3.6, 0.9)],
      [49, ...fed(2, 3.6, 0.9)],
      [6 * DAY_H, ...fed(3, 3.6), sg(1.068, 17)],
      [10 * DAY_H, sg(1.05, 16)],
      [14 * DAY_H, sg(1.036, 17)],
      [20 * DAY_H, sg(1.018, 17)],
      [26 * DAY_H, sg(1.008, 18)],
      [32 * DAY_H, sg(1.001, 17)],
      ...ended(0.997, [38, 52, 66, 80], 17),
      [80.2 * DAY_H, bottled({ 'wine 750': 5, 'wine 375': 2 })],
      [180 * DAY_H, ...opened('bright, tight', { who: 'Ben', drinks: 'ready' })],
      [256 * DAY_H, out('given', 'the bell ringers')],
      [322 * DAY_H, ...opened('almond, long', { who: 'Ben', score: { value: 17, of: 20 }, drinks: 'at its best' })],
      [322 * DAY_H + 1, nextTime('Under 18 °C for the first ten days.'), nextTime('Linden lets the cherry speak.')],
      [
        323 * DAY_H,
        { kind: 'bottleKept', payload: { count: 1, until: null } },
        { kind: 'moved', payload: { to: 'under the stairs, second row' } },
      ],
    ],
  },
  {
    name: 'Sour cherry, warm',
    honeys: [
      { lot: 'heather moor', massG: 900, moisture: 0.19 },
      { lot: 'linden avenue', massG: 480, moisture: 0.171 },
    ],
    others: [
      {
        ...fruit('cherry-sour', 900, { form: 'frozen', bagDays: 8, lotId: LOTS['sour cherries'].id, pricePerKg: 4.5 }),
        name: 'sour cherries',
      },
    ],
    waterL: 3.7,
    yeastId: 'strong',
    vessel: '10 L bucket',
    mixedHoursAgo: 330 * DAY_H,
    then: [
      [1, pitched('strong', 3)],
      [25, ...fed(1, 3.6, 0.9)],
      [49, ...fed(2, 3.6, 0.9)],
      [73, ...fed(3, 3.6, 0.9), sg(1.072, 24)],
      [5 * DAY_H, sg(1.048, 26)],
      [7 * DAY_H, sg(1.03, 25)],
      [10 * DAY_H, sg(1.012, 24)],
      [13 * DAY_H, sg(1.002, 23)],
      ...ended(0.994, [17, 34, 50, 66], 22),
      [66.2 * DAY_H, bottled({ 'wine 750': 5, 'screw 330': 2 })],
      [160 * DAY_H, ...opened('hot, thin', { who: 'Ben' })],
      [210 * DAY_H, out('opened')],
      [231 * DAY_H, out('given', 'plot two')],
      [262 * DAY_H, ...opened('softer, plum', { who: 'Ben', score: { value: 14, of: 20 } })],
      [262 * DAY_H + 1, nextTime('Heather alone, once.')],
    ],
  },
  {
    name: 'Gooseberry, sparkling',
    honeys: [{ lot: 'linden avenue', massG: 1000, moisture: 0.171 }],
    others: [{ ...fruit('gooseberry', 800, { pricePerKg: 3.2, bagDays: 8 }), name: 'gooseberries' }],
    waterL: 4.6,
    yeastId: 'allround',
    vessel: '10 L bucket',
    mixedHoursAgo: 360 * DAY_H,
    then: [
      [1, pitched('allround', 3)],
      [25, ...fed(1, 3, 0.8)],
      [5 * DAY_H, sg(1.028, 20)],
      [11 * DAY_H, sg(1.002, 19)],
      ...ended(0.994, [22, 34, 46, 58], 19),
      [
        58.2 * DAY_H,
        bottled(
          { 'swing 500': 8, 'sparkling 750': 2 },
          {
            prime: { what: 'sucrose', name: 'table sugar', massG: 32, where: 'bulk', waterL: 0.1, volumeL: 5.6, warmestC: 20 },
            leftL: 0.1,
          },
        ),
      ],
      [73 * DAY_H, ...opened('nettle, small bubbles', { who: 'Ada', drinks: 'ready' })],
      [140 * DAY_H, out('opened')],
      [176 * DAY_H, out('given', 'the brass band')],
      [210 * DAY_H, out('opened')],
      [250 * DAY_H, ...opened('lime, fine', { who: 'Ada', score: { value: 18, of: 20 }, drinks: 'at its best' })],
      [251 * DAY_H, out('leaked')],
    ],
  },
  {
    name: 'Borage, first fizz',
    honeys: [{ lot: 'borage field', massG: 850 }],
    waterL: 4.3,
    yeastId: 'allround',
    vessel: '5 L jug',
    mixedHoursAgo: 84 * DAY_H,
    then: [
      [1, pitched('allround', 2.5)],
      [25, ...fed(1, 2.4, 0.6)],
      [6 * DAY_H, sg(1.016, 19)],
      ...ended(0.994, [18, 32, 46, 60], 19),
      [
        62 * DAY_H,
        bottled(
          { 'swing 500': 6, 'crown 330': 4 },
          {
            prime: { what: 'sucrose', name: 'table sugar', massG: 21, where: 'bulk', waterL: 0.1, volumeL: 4.5, warmestC: 19 },
            leftL: 0.18,
          },
        ),
      ],
    ],
  },
  {
    name: 'Quince, linden',
    honeys: [{ lot: 'linden avenue', massG: 1900, moisture: 0.171 }],
    others: [{ ...fruit('quince', 800, { pricePerKg: 2, bagDays: 10 }), name: 'quinces' }],
    waterL: 3.4,
    yeastId: 'strong',
    vessel: '10 L bucket',
    mixedHoursAgo: 150 * DAY_H,
    then: [
      [1, pitched('strong', 5)],
      [25, ...fed(1, 5, 1.3)],
      [49, ...fed(2, 5, 1.3)],
      [73, ...fed(3, 5, 1.3)],
      [9 * DAY_H, sg(1.05, 19)],
      [24 * DAY_H, sg(1.01, 18)],
      ...ended(0.996, [44, 62, 80, 96]),
      [
        96.2 * DAY_H,
        bottled(
          { 'wine 750': 6 },
          { word: 'It rests sweet where its yeast gives up, and stood so for weeks. Is it to be bottled as it is? Yes.' },
        ),
      ],
      [96.3 * DAY_H, nextTime('Grate the quinces; cut ones gave little.')],
    ],
  },
  {
    name: 'Heather of last winter',
    honeys: [{ lot: 'heather moor', massG: 1500, moisture: 0.188 }],
    waterL: 4,
    yeastId: 'allround',
    vessel: '5 L jug',
    mixedHoursAgo: 300 * DAY_H,
    then: [
      [0.5, sg(1.092, 20)],
      [1, pitched('allround', 3)],
      [12 * DAY_H, sg(1.018, 18)],
      [40 * DAY_H, sg(0.994, 18)],
      [55 * DAY_H, sg(0.994, 18), { kind: 'rack', payload: { volumeL: 4.6 } }],
      [120 * DAY_H, sg(0.994, 16), bottled({ 'wine 750': 5, 'wine 375': 2 })],
      [290 * DAY_H, ...opened('dry, long, smoke and heather; better than in spring', { who: 'Ada', score: { value: 16, of: 20 } })],
    ],
  },
];
